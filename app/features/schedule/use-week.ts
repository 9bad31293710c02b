import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import type { z } from 'zod'
import { dayAfter, type WorkDay } from '../../../core/schedule'
import { listPeople } from '../../../shared/contracts/people'
import { listVisits, toPlace, type Visit } from '../../../shared/contracts/schedule'
import { call } from '../../data/http'

type Waiting = z.infer<(typeof toPlace)['answer']>
/** Something that asks for a visit. */
export interface ToPlace {
  id: string
  unit: Visit['unit']
  job: string | null
  carePlan: string | null
  reason: Visit['reason']
  about: string
  /** What it waits for, or when it was to be. */
  says: string
  due: string
  come: boolean
  minutes: number | null
}

/** Visits of others come in by themselves so often, ms. */
const AGAIN_AFTER = 30_000
const WEEK = 7

const toPlaceOf = ({ jobs, care }: Waiting): ToPlace[] => [
  ...jobs.map((j) => ({
    id: j.job,
    unit: j.unit,
    job: j.job,
    carePlan: null,
    reason: j.reason,
    about: j.about,
    says: j.awaits,
    due: j.until ?? '',
    come: j.come,
    minutes: j.minutes,
  })),
  ...care.map((c) => ({
    id: c.plan,
    unit: c.unit,
    job: null,
    carePlan: c.plan,
    reason: 'care' as const,
    about: c.about,
    says: '',
    due: c.due,
    come: false,
    minutes: c.minutes,
  })),
]

/** Monday of the week of a day. */
const mondayOf = (day: string): string => dayAfter(day, -((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % WEEK))

/** A week of visits with who makes them, and what still asks for one. */
export function useWeek() {
  const day = ref('')
  const today = ref('')
  const work = shallowRef<WorkDay>({ begins: 480, ends: 1020, travel: 15 })
  const visits = shallowRef<Visit[]>()
  const waiting = shallowRef<ToPlace[]>([])
  const people = shallowRef<{ id: string; name: string }[]>([])
  const trouble = ref('')
  const busy = ref(false)
  let round = 0

  async function load(): Promise<void> {
    const mine = ++round
    try {
      const from = day.value ? mondayOf(day.value) : undefined
      const [shown, asked, { people: all }] = await Promise.all([
        call(listVisits, { query: { from, days: WEEK } }),
        call(toPlace),
        call(listPeople),
      ])
      if (mine !== round) return
      today.value = shown.today
      if (!day.value) {
        day.value = shown.today
        // What was answered begins today: the week of today begins on its Monday.
        return await load()
      }
      work.value = shown.work
      visits.value = shown.visits
      waiting.value = toPlaceOf(asked)
      people.value = all.filter((p) => p.role !== 'read-only')
      trouble.value = ''
    } catch (error) {
      if (mine === round) trouble.value = error instanceof Error ? error.message : String(error)
    }
  }
  const clock = setInterval(() => document.visibilityState === 'visible' && !busy.value && void load(), AGAIN_AFTER)
  onScopeDispose(() => clearInterval(clock))
  void load()

  /** The days of the week with how many visits each has. */
  const week = computed(() => {
    const from = day.value ? mondayOf(day.value) : ''
    return from
      ? Array.from({ length: WEEK }, (_, i) => dayAfter(from, i)).map((d) => ({
          day: d,
          visits: (visits.value ?? []).filter((v) => v.day === d && v.ended === null).length,
        }))
      : []
  })
  const show = (next: string) => {
    const other = mondayOf(next) !== mondayOf(day.value)
    day.value = next
    return other ? load() : Promise.resolve()
  }

  return { day, today, work, week, people, waiting, visits, trouble, busy, show, load }
}
