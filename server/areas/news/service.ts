import { listenTo, notify } from './repository'

/**
 * News between processes: `NOTIFY` of who and where only, on a connection of its own. A listener that lost the
 * connection says `again` to everybody when it is back: they ask for what they missed.
 */
/** Appends within this time share one notification, ms: it keeps commits from waiting for each other. */
const GATHERED = 15
const BACK_AFTER = 1000

export type News =
  | { type: 'job'; organisation: string; job: string; seq: number }
  | { type: 'ended'; session: string }
  /** Something of persons was erased: whoever keeps any of it lets it go. */
  | { type: 'erased'; organisation: string }
  | { type: 'again' }
  /** This process is about to end: streams close, so that the tabs find another. */
  | { type: 'stopping' }

type Listener = (news: News) => void
const listeners = new Set<Listener>()
const tell = (news: News) => {
  for (const listener of listeners) listener(news)
}

process.once('SIGTERM', () => tell({ type: 'stopping' }))

let waiting = new Map<string, News>()
let timer: ReturnType<typeof setTimeout> | undefined

/** Says what is still to be said, now. */
export async function flush(): Promise<void> {
  clearTimeout(timer)
  timer = undefined
  const batch = [...waiting.values()]
  waiting = new Map()
  try {
    // A notification holds 8,000 bytes.
    for (let i = 0; i < batch.length; i += 40) await notify(JSON.stringify(batch.slice(i, i + 40)))
  } catch (error) {
    // Whoever listens asks again when the database is back.
    console.error(`news: ${error instanceof Error ? error.message : String(error)}`)
  }
}

/** Says to every process that a job has grown. Returns at once. */
export function announceJob(organisation: string, job: string, seq: number): void {
  waiting.set(job, { type: 'job', organisation, job, seq })
  timer ??= setTimeout(() => void flush(), GATHERED)
}

/** Says to every process that a session has ended. */
export async function announceEnd(session: string): Promise<void> {
  waiting.set(session, { type: 'ended', session })
  await flush()
}

/** Says to every process that something was erased. */
export async function announceErased(organisation: string): Promise<void> {
  waiting.set(`erased ${organisation}`, { type: 'erased', organisation })
  await flush()
}

let listening: Promise<void> | undefined

async function listen(): Promise<void> {
  const again = () => setTimeout(() => (listening = listeners.size ? listen() : undefined), BACK_AFTER)
  const heard = (payload: string) => {
    for (const news of JSON.parse(payload) as News[]) tell(news)
  }
  if (await listenTo(heard, again)) tell({ type: 'again' })
}

/** Hears all news until the returned function is called. */
export function subscribe(listener: Listener): () => void {
  listeners.add(listener)
  listening ??= listen()
  return () => listeners.delete(listener)
}
