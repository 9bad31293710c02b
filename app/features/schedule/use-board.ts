import { computed } from 'vue'
import { v7 as uuidv7 } from 'uuid'
import { clashesIn, firstFree, inOrder, placeInLane, type Clash, type LaneVisit } from '../../../core/schedule'
import { putVisit, readOutlook, type Visit, type VisitFields } from '../../../shared/contracts/schedule'
import { call } from '../../data/http'
import { useWeek, type ToPlace } from './use-week'

const USUAL_MINUTES = 60

const fieldsOf = (v: Visit): VisitFields => {
  const { job, carePlan, person, minutes, reason, note, ended, version } = v
  return { unit: v.unit.id, job, carePlan, person, day: v.day, start: v.start, minutes, reason, note, ended, version }
}
/** A new visit to what asks for one. */
const fieldsFor = (
  item: ToPlace,
  when: Pick<VisitFields, 'person' | 'day' | 'start' | 'minutes'> & { note?: string },
): VisitFields => ({
  unit: item.unit.id,
  job: item.job,
  carePlan: item.carePlan,
  reason: item.reason,
  note: '',
  ended: null,
  version: 0,
  ...when,
})
/** How long a visit to it will be: what the engine expects, kept by the server; what takes too long to reckon is there another time. */
async function lengthOf(item: ToPlace): Promise<number> {
  if (item.minutes !== null) return item.minutes
  const own = await call(readOutlook, { params: { id: item.job! } }).catch(() => undefined)
  return own?.length ?? USUAL_MINUTES
}

/** What is written where a visit, or what asks for one, was put into a lane: itself, and what had to move behind it. */
function changesOf(
  what: Visit | ToPlace,
  lane: readonly LaneVisit[],
  others: readonly Visit[],
  when: Pick<VisitFields, 'person' | 'day' | 'minutes'>,
): [id: string, VisitFields][] {
  return lane.flatMap(({ id, start }): [string, VisitFields][] => {
    const other = others.find((o) => o.id === id)
    if (other) return other.start === start ? [] : [[id, { ...fieldsOf(other), start }]]
    return [[id, 'version' in what ? { ...fieldsOf(what), ...when, start } : fieldsFor(what, { ...when, start })]]
  })
}

/** How visits are placed into the days of people. */
export function useBoard() {
  const board = useWeek()
  const { day, visits, people, work, trouble, busy, load } = board

  const laneOf = (person: string): Visit[] =>
    inOrder((visits.value ?? []).filter((v) => v.person === person && v.day === day.value))
  /** Only what is still to be done can clash. */
  const clashes = computed(
    () =>
      new Map<string, Clash>(
        people.value.flatMap((p) => [
          ...clashesIn(
            laneOf(p.id).filter((v) => v.ended === null),
            work.value,
          ),
        ]),
      ),
  )
  /** One change after another; what the server says to it stands above the board. @returns whether all were taken */
  async function write(changes: readonly (readonly [id: string, fields: VisitFields])[]): Promise<boolean> {
    busy.value = true
    let said = ''
    try {
      for (const [id, body] of changes) await call(putVisit, { params: { id }, body })
    } catch (error) {
      said = error instanceof Error ? error.message : String(error)
    } finally {
      busy.value = false
      await load()
      if (said) trouble.value = said
    }
    return !said
  }
  const change = (visit: Visit, more: Partial<VisitFields>) => write([[visit.id, { ...fieldsOf(visit), ...more }]])

  /**
   * Puts a visit, or what asks for one, into somebody's day.
   *
   * @param at how many of that day come before it
   * @returns the id of the visit; `undefined` where it was not taken
   */
  async function place(what: Visit | ToPlace, person: string, at: number): Promise<string | undefined> {
    busy.value = true
    const placed = 'version' in what
    const id = placed ? what.id : uuidv7()
    const minutes = placed ? what.minutes : await lengthOf(what)
    const others = laneOf(person).filter((v) => v.id !== id)
    const lane = placeInLane(others, { id, minutes }, at, work.value)
    const changes = changesOf(what, lane, others, { person, day: day.value, minutes })
    return (await write(changes)) ? id : undefined
  }
  /** The first time of the day at which somebody is free for it. */
  async function proposal(item: ToPlace, person: string) {
    const minutes = await lengthOf(item)
    return { minutes, start: firstFree(laneOf(person), minutes, work.value) ?? work.value.ends }
  }
  const add = (item: ToPlace, fields: Pick<VisitFields, 'person' | 'day' | 'start' | 'minutes' | 'note'>) =>
    write([[uuidv7(), fieldsFor(item, fields)]])
  return { ...board, laneOf, clashes, place, change, proposal, add }
}
