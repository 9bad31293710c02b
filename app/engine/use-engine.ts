import { wrap, type Remote } from 'comlink'
import { onScopeDispose } from 'vue'
import type { EngineApi } from './protocol'

/** A worker that nobody has asked for so long is ended, ms. */
const IDLE = 60_000

/** What nobody waits for: a worker at it is not ended for it. */
const AHEAD: readonly (keyof EngineApi)[] = ['rehearse', 'computed']

/** The worker of this tab: a page that follows another finds the machine open that was open there. */
interface Running {
  worker: Worker
  remote: Remote<EngineApi>
  owner: symbol
  /** Questions that it has not answered yet. */
  asked: number
}
let running: Running | undefined
let idle: ReturnType<typeof setTimeout> | undefined

function end(): void {
  running?.worker.terminate()
  running = undefined
}
/** The worker, for this page from now on; one that still works at another page's question is ended. */
function take(owner: symbol): Running {
  clearTimeout(idle)
  if (running && running.owner !== owner && running.asked) end()
  if (!running) {
    const worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' })
    running = { worker, remote: wrap<EngineApi>(worker), owner, asked: 0 }
  }
  running.owner = owner
  return running
}

/**
 * The engine for one page, in a worker. A page that was followed by another one is answered again once it opens its machine anew.
 */
export function useEngine(): Remote<EngineApi> {
  const owner = Symbol('page')
  take(owner)
  onScopeDispose(() => {
    if (running?.owner !== owner) return
    if (running.asked) end()
    else idle = setTimeout(end, IDLE)
  })
  async function ask(name: keyof EngineApi, given: unknown[]): Promise<unknown> {
    if (name !== 'open' && running?.owner !== owner) throw new Error('Another page has opened its machine since.')
    const own = take(owner)
    const counts = AHEAD.includes(name) ? 0 : 1
    own.asked += counts
    try {
      return await (own.remote[name] as unknown as (...given: unknown[]) => Promise<unknown>)(...given)
    } finally {
      own.asked -= counts
    }
  }
  return new Proxy({} as Remote<EngineApi>, {
    get: (_, name) =>
      // What is awaited is asked whether it is a promise: it is none.
      typeof name === 'string' && name !== 'then'
        ? (...given: unknown[]) => ask(name as keyof EngineApi, given)
        : undefined,
  })
}
