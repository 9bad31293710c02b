/** What the tabs of this device tell each other. Every tab hears its own words too. */
export type Message =
  /** Something was put into the outbox of a job. */
  | { type: 'entered'; job: string }
  /** A refused entry is to be discarded or sent again. */
  | { type: 'settle'; job: string; id: string; how: 'discarded' | 'resent' }
  /** A job has grown to this sequence. */
  | { type: 'job'; job: string; seq: number }
  /** News may have been missed: whoever shows something asks again. */
  | { type: 'again' }
  /** Something of these jobs was erased: what is shown of them is fetched anew. */
  | { type: 'erased'; jobs: string[] }
  /** What keeps the outbox from being sent; nothing when it goes. */
  | { type: 'trouble'; trouble: { code: string; message: string } | undefined }
  /** This device's clock against the server's, ms. */
  | { type: 'clock'; offset: number }
  /** Somebody signed in or out on this device. */
  | { type: 'session'; person: string | undefined }

const listeners = new Set<(message: Message) => void>()
const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('duckweed')
const tell = (message: Message) => {
  for (const listener of [...listeners]) listener(message)
}
if (channel) channel.onmessage = ({ data }: MessageEvent<Message>) => tell(data)

/** Tells every tab of this device, this one first. */
export function say(message: Message): void {
  tell(message)
  channel?.postMessage(message)
}

/** Hears the tabs until the returned function is called. */
export function hear(listener: (message: Message) => void): () => void {
  listeners.add(listener)
  return () => void listeners.delete(listener)
}
