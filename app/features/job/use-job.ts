import { computed, onMounted, onScopeDispose, ref, shallowRef } from 'vue'
import { liveQuery } from 'dexie'
import { foldJob, type JobEvent, type Payload, type SequencedEvent } from '../../../core/job'
import { layBehind, mergeEvents } from '../../../core/sync'
import { readJob } from '../../../shared/contracts/jobs'
import { deviceDatabase, entriesOf, keepEvents, keptEvents, type KeptEntry, type KeptJob } from '../../data/database'
import { enterEvent } from '../../data/enter'
import { ApiError, call } from '../../data/http'
import { unsentPhotos as unsentOf } from '../../data/photos'
import { hear, say } from '../../data/tabs'
import { useSession } from '../session'
import { notify } from '../shell'

/** A failed fetch is tried again after this time, ms. */
const AGAIN_AFTER = 3000

/**
 * One job on one page: what the server has, what waits on this device, and their fold. Every page has its own: an
 * answer that comes late belongs to the job it was asked for.
 */
// eslint-disable-next-line max-lines-per-function -- a composable: one closure over what a page shows
export function useJob(id: string) {
  const session = useSession()
  const person = { id: session.person!.id, name: session.person!.name }
  const meta = shallowRef<Omit<KeptJob, 'person' | 'job'>>()
  const kept = shallowRef<SequencedEvent[]>([])
  const entries = shallowRef<KeptEntry[]>([])
  const trouble = ref<string>()
  const missing = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  let gone = false
  onScopeDispose(() => {
    gone = true
    clearTimeout(timer)
  })

  const waiting = computed(() => entries.value.filter((e) => e.state === 'waiting'))
  const refused = computed(() => entries.value.filter((e) => e.state === 'refused'))
  const state = computed(() =>
    foldJob(
      layBehind(
        kept.value,
        waiting.value.map((e) => e.event),
        person.name,
      ),
    ),
  )
  const seen = () => kept.value.at(-1)?.seq ?? 0
  const lay = (events: readonly SequencedEvent[]) => {
    kept.value = mergeEvents(kept.value, events).events
  }

  /** What this device has of the job. */
  async function fromDevice(): Promise<void> {
    const [row, events] = await Promise.all([deviceDatabase().jobs.get([person.id, id]), keptEvents(person.id, id)])
    if (gone) return
    if (row) meta.value = { unit: row.unit, revision: row.revision }
    lay(events)
  }

  /** What the server has beyond that, page by page. */
  async function fromServer(): Promise<void> {
    clearTimeout(timer)
    try {
      for (;;) {
        const answer = await call(readJob, { params: { id }, query: { after: seen() } })
        if (gone) return
        meta.value = { unit: answer.unit, revision: answer.revision }
        const events = answer.events as SequencedEvent[]
        lay(events)
        await deviceDatabase()
          .jobs.put({ person: person.id, job: id, unit: answer.unit, revision: answer.revision })
          .then(() => keepEvents(person.id, id, events))
          .catch(() => undefined)
        if (!events.length || seen() >= answer.seq) break
      }
      trouble.value = undefined
      missing.value = false
    } catch (error) {
      if (gone) return
      if (!(error instanceof ApiError)) throw error
      if (error.status === 401) return session.expire()
      // A job that was opened here and has not been sent yet is not on the server.
      missing.value = error.status === 404 && !meta.value
      trouble.value = error.transient ? error.message : missing.value ? error.message : undefined
      if (error.transient) timer = setTimeout(() => void fromServer(), AGAIN_AFTER)
    }
  }

  const watching = liveQuery(() => entriesOf(person.id, id)).subscribe({
    async next(found) {
      // What has left the outbox is among the events by now: they are read before it goes from the screen.
      if (entries.value.some((e) => !found.some((f) => f.id === e.id))) lay(await keptEvents(person.id, id))
      if (!gone) entries.value = found
    },
    error: () => undefined,
  })
  const unsentPhotos = ref(0)
  const counting = liveQuery(() => unsentOf(person.id, id)).subscribe({
    next: (count) => (unsentPhotos.value = count),
    error: () => undefined,
  })
  const deaf = hear((message) => {
    if (message.type === 'job' && message.job === id && message.seq > seen()) void news(message.seq)
    if (message.type === 'again') void fromServer()
    if (message.type === 'erased' && message.jobs.includes(id)) {
      kept.value = []
      void fromServer()
    }
  })
  /** Another tab may have brought it to the device already; what is missing is asked for. */
  async function news(seq: number): Promise<void> {
    lay(await keptEvents(person.id, id).catch(() => []))
    if (seen() < seq) await fromServer()
  }
  onScopeDispose(() => {
    watching.unsubscribe()
    counting.unsubscribe()
    deaf()
  })
  onMounted(async () => {
    await fromDevice().catch(() => undefined)
    await fromServer()
  })

  /** @returns whether it was kept on the device */
  async function enter(payload: Payload): Promise<JobEvent | undefined> {
    try {
      const event = await enterEvent(person, id, payload, seen())
      entries.value = await entriesOf(person.id, id)
      return event
    } catch {
      notify({
        kind: 'storage',
        text: 'This could not be kept on this device (no room left, or storage is denied), so it was not entered. Make room and enter it again.',
      })
      return undefined
    }
  }
  const settle = (entry: string, how: 'discarded' | 'resent') => say({ type: 'settle', job: id, id: entry, how })

  return {
    id,
    meta,
    state,
    waiting,
    refused,
    unsentPhotos,
    trouble,
    missing,
    enter,
    discard: (entry: string) => settle(entry, 'discarded'),
    resend: (entry: string) => settle(entry, 'resent'),
  }
}
