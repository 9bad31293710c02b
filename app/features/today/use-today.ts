import { liveQuery } from 'dexie'
import { onScopeDispose, ref, shallowRef } from 'vue'
import { foldJob } from '../../../core/job'
import { layBehind } from '../../../core/sync'
import { describeBypass } from '../../../core/words'
import { listJobs, type JobRow } from '../../../shared/contracts/jobs'
import { deviceDatabase, keptEvents, type KeptEntry } from '../../data/database'
import { fetchOrKept } from '../../data/fetched'
import { ApiError } from '../../data/http'
import { hear } from '../../data/tabs'
import { useSession } from '../session'

/** What of one job is on this device and nowhere else. */
export interface Unsent {
  job: string
  title: string
  place: string
  waiting: number
  refused: number
  photos: number
  /** Parts that are bridged as this device knows it. */
  bypasses: string[]
}

const AGAIN_AFTER = 3000
const GATHERED = 200
const LISTS = {
  mine: { state: 'open', mine: 'true' },
  waiting: { state: 'waiting' },
  bypassed: { state: 'bypass' },
} as const

/** What is on this device and not sent, job by job, in the order entered. */
async function unsentOf(person: string, name: string): Promise<Unsent[]> {
  const db = deviceDatabase()
  const [entries, photos] = await Promise.all([
    db.outbox.where('person').equals(person).sortBy('ordinal'),
    db.photos.where('sent').equals(0).toArray(),
  ])
  const byJob = new Map<string, KeptEntry[]>()
  for (const e of entries) byJob.set(e.job, [...(byJob.get(e.job) ?? []), e])
  return Promise.all(
    [...byJob].map(async ([job, own]) => {
      const [kept, events] = await Promise.all([db.jobs.get([person, job]), keptEvents(person, job)])
      const waiting = own.filter((e) => e.state === 'waiting')
      const { bypasses, bypassTitles } = foldJob(
        layBehind(
          events,
          waiting.map((e) => e.event),
          name,
        ),
      )
      return {
        job,
        title: kept?.unit.title ?? 'A job',
        place: kept ? `${kept.unit.customer}, ${kept.unit.place}` : '',
        waiting: waiting.length,
        refused: own.length - waiting.length,
        photos: photos.filter((p) => p.person === person && p.job === job).length,
        bypasses: bypasses.map((key) => describeBypass(key, bypassTitles?.[key] ?? key)),
      }
    }),
  )
}

/** What this person must not forget today: what is not sent, what is bridged, what is waited for, what is open. */
export function useToday() {
  const session = useSession()
  const { id, name } = session.person!
  const lists = shallowRef<Partial<Record<keyof typeof LISTS, JobRow[]>>>({})
  const unsent = shallowRef<Unsent[]>([])
  const trouble = ref('')
  let gone = false
  let timer: ReturnType<typeof setTimeout> | undefined

  async function load(): Promise<void> {
    clearTimeout(timer)
    try {
      const asked = await Promise.all(
        Object.entries(LISTS).map(async ([list, query]) => {
          const { value, fresh } = await fetchOrKept(id, `today:${list}`, listJobs, { query })
          return { list, jobs: value.jobs, fresh }
        }),
      )
      if (gone) return
      lists.value = Object.fromEntries(asked.map(({ list, jobs }) => [list, jobs]))
      const stale = asked.some((a) => !a.fresh)
      trouble.value = stale ? 'The server cannot be reached. These are the jobs as they were last.' : ''
      if (stale) timer = setTimeout(() => void load(), AGAIN_AFTER)
    } catch (error) {
      if (gone || !session.person) return
      if (!(error instanceof ApiError)) throw error
      if (error.status === 401) return session.expire()
      trouble.value = error.message
      timer = setTimeout(() => void load(), AGAIN_AFTER)
    }
  }
  const watching = liveQuery(() => unsentOf(id, name)).subscribe({
    next: (found) => (unsent.value = found),
    error: () => undefined,
  })
  const deaf = hear(({ type }) => {
    if (type !== 'job' && type !== 'again') return
    clearTimeout(timer)
    timer = setTimeout(() => void load(), GATHERED)
  })
  onScopeDispose(() => {
    gone = true
    clearTimeout(timer)
    watching.unsubscribe()
    deaf()
  })
  void load()
  return { lists, unsent, trouble }
}
