import { wrap, type Remote } from 'comlink'
import type { BenchApi } from '../workers/bench.worker'

/** The worker that runs the machine of one page; ended with the page. */
export function useBench(): Remote<BenchApi> {
  const worker = new Worker(new URL('../workers/bench.worker.ts', import.meta.url), { type: 'module' })
  onScopeDispose(() => worker.terminate())
  return wrap<BenchApi>(worker)
}
