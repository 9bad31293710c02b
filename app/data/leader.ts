import { jobNews, NEWS_PATH } from '../../shared/contracts/news'
import { letGoErased } from './let-go'
import { Sender } from './sender'
import { hear, say } from './tabs'

/** The stream is opened again after this time when the browser gives it up, ms. */
const AGAIN_AFTER = 3000

/** Tells the tabs what the server says has happened. */
function openStream(): () => void {
  let source: EventSource | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let wasOpen = false
  const open = () => {
    source = new EventSource(NEWS_PATH)
    source.addEventListener('open', () => {
      if (wasOpen) say({ type: 'again' })
      wasOpen = true
    })
    source.addEventListener('job', ({ data }: MessageEvent<string>) => {
      const news = jobNews.safeParse(JSON.parse(data))
      if (news.success) say({ type: 'job', ...news.data })
    })
    source.addEventListener('again', () => say({ type: 'again' }))
    source.addEventListener('ended', () => {
      source?.close()
      say({ type: 'again' })
    })
    source.addEventListener('error', () => {
      if (source?.readyState !== EventSource.CLOSED) return
      timer = setTimeout(open, AGAIN_AFTER)
    })
  }
  open()
  return () => {
    clearTimeout(timer)
    source?.close()
  }
}

/** What the one tab of a device that leads does for the person signed in: sends, and listens for all of them. */
function lead(person: string, personName: string): () => void {
  const sender = new Sender(person, personName)
  const letGo = () => void letGoErased(person).catch(() => undefined)
  const deaf = hear((message) => {
    if (message.type === 'entered') void sender.takeUp(message.job)
    if (message.type === 'settle') sender.settle(message.job, message.id, message.how)
    if (message.type === 'again') {
      sender.due()
      letGo()
    }
  })
  const back = () => say({ type: 'again' })
  window.addEventListener('online', back)
  const close = openStream()
  void sender.start().catch(() => undefined)
  letGo()
  return () => {
    deaf()
    window.removeEventListener('online', back)
    close()
    sender.end()
  }
}

/**
 * Lets this tab lead as soon as no other does. Where the browser has no locks every tab leads: what is sent twice
 * counts once.
 *
 * @returns a function that stops it
 */
export function leadWhenFree(person: string, personName: string): () => void {
  const stop = new AbortController()
  let release: (() => void) | undefined
  const own = () => {
    const leave = lead(person, personName)
    return new Promise<void>((resolve) => {
      release = () => {
        leave()
        resolve()
      }
      if (stop.signal.aborted) release()
    })
  }
  if (typeof navigator.locks === 'undefined') void own()
  else navigator.locks.request(`duckweed-leader-${person}`, { signal: stop.signal }, own).catch(() => undefined)
  return () => {
    stop.abort()
    release?.()
  }
}
