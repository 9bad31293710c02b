import { wrap, type Remote } from 'comlink'
import { onScopeDispose } from 'vue'
import type { EngineApi } from './protocol'

/** The worker that runs the machine of one page; ended with the page. */
export function useEngine(): Remote<EngineApi> {
  const worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' })
  onScopeDispose(() => worker.terminate())
  return wrap<EngineApi>(worker)
}
