import { useNuxtApp, useRouter } from 'nuxt/app'
import { watch } from 'vue'
import { deviceDatabase, waitingByPerson } from '../../data/database'
import { leadWhenFree } from '../../data/leader'
import { hear } from '../../data/tabs'
import { useSession } from '../session'
import { dismiss, notify } from './notices'

/** Time that a new page gets before it may be loaded anew, ms. */
const SETTLED_AFTER = 400
const HOUR = 3_600_000
const DAY = 24 * HOUR

/** Minutes, hours or days in words. */
function span(milliseconds: number): string {
  const off = Math.abs(milliseconds)
  const [n, unit] =
    off >= DAY * 0.9 ? [off / DAY, 'day'] : off >= HOUR ? [off / HOUR, 'hour'] : [off / 60_000, 'minute']
  return `${Math.round(n)} ${unit}${Math.round(n) === 1 ? '' : 's'}`
}

const sayClock = (offset: number) =>
  offset
    ? notify({
        kind: 'clock',
        text: `This device’s clock is ${span(offset)} ${offset > 0 ? 'fast' : 'slow'}. Times are shown by the server’s clock; the order of entries does not hang on either.`,
      })
    : dismiss('clock')

/** Says at once when this browser keeps nothing, before anything is entered. */
async function checkStorage(): Promise<void> {
  const db = deviceDatabase()
  try {
    await db.open()
    db.on('versionchange', () => {
      db.close()
      notify({
        kind: 'renewed',
        text: 'Duckweed was renewed in another tab. What you entered is kept; load this page again to go on.',
        act: { label: 'Load again', run: () => location.reload() },
      })
    })
  } catch {
    notify({
      kind: 'storage',
      text: 'This browser keeps nothing on this device (private window, or no room left). Nothing can be entered until that is changed.',
    })
    return
  }
  const room = await navigator.storage?.estimate?.().catch(() => undefined)
  const left = (room?.quota ?? Infinity) - (room?.usage ?? 0)
  if (left < 5_000_000)
    notify({ kind: 'storage', text: 'This device is nearly full. Make room before you enter more.' })
}

/** Entries of others that wait here: whose they are, and that they stay theirs. */
async function sayWaitingOfOthers(own: string | undefined): Promise<void> {
  const others = [...(await waitingByPerson())].filter(([person, { waiting }]) => person !== own && waiting > 0)
  if (!others.length) return dismiss('others')
  const list = others.map(([, o]) => `${o.name} (${o.waiting})`).join(', ')
  notify({
    kind: 'others',
    text: `Entries wait on this device for ${list}. They are sent when that person signs in here.`,
  })
}

/** What the module for the service worker gives the application. */
interface Renewal {
  needRefresh: boolean
  updateServiceWorker(reload?: boolean): Promise<void>
}

/** A newer program waits until nothing is half typed anywhere on this device, or until somebody asks for it. */
function offerRenewal(): () => void {
  const { $pwa } = useNuxtApp() as unknown as { $pwa?: Renewal }
  const renew = () => {
    navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
    void $pwa?.updateServiceWorker(true)
  }
  const unwatch = watch(
    () => $pwa?.needRefresh,
    (fresh) =>
      fresh &&
      notify({
        kind: 'renewal',
        text: 'A newer Duckweed is ready. It is loaded as soon as nothing is half typed on this device.',
        act: { label: 'Load it now', run: renew },
      }),
    { immediate: true },
  )
  let timer: ReturnType<typeof setTimeout> | undefined
  const renewWhenIdle = async () => {
    const typed = await deviceDatabase()
      .drafts.count()
      .catch(() => 1)
    if ($pwa?.needRefresh && typed === 0) renew()
  }
  // Between two pages is the moment at which nobody reads or types; what was typed last is kept by then.
  const unhook = useRouter().afterEach(() => {
    clearTimeout(timer)
    timer = setTimeout(() => void renewWhenIdle(), SETTLED_AFTER)
  })
  return () => {
    clearTimeout(timer)
    unwatch()
    unhook()
  }
}

/**
 * Ties the page to this device: sender, news, session of the other tabs, storage, a secure connection.
 *
 * @returns a function that unties it
 */
export function tieToDevice(): () => void {
  const session = useSession()
  let stop: (() => void) | undefined
  const unwatch = watch(
    () => session.person?.id,
    (id) => {
      stop?.()
      stop = id && session.person ? leadWhenFree(id, session.person.name) : undefined
      void sayWaitingOfOthers(id).catch(() => undefined)
    },
    { immediate: true },
  )
  void checkStorage()
  const unoffer = offerRenewal()
  if (!window.isSecureContext)
    notify({
      kind: 'insecure',
      text: 'Over plain http what you type, your password too, can be read on its way, and this browser gives no offline start, camera or microphone. Ask for an https address.',
    })
  const deaf = hear((message) => {
    // Another tab signed somebody else in or out: nothing of the one before may stand here.
    if (message.type === 'session' && message.person !== session.person?.id) location.reload()
    if (message.type === 'clock') sayClock(message.offset)
    // What waits goes on waiting; the way back leads here.
    if (message.type === 'trouble' && message.trouble?.code === 'not-signed-in') session.expire()
  })
  return () => {
    unwatch()
    unoffer()
    deaf()
    stop?.()
  }
}
