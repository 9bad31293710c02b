import type { Machine } from '../../model/machine'
import type { Span } from '../../running'
import type { MachineCourse } from './course-of'
import type { NoticedSignal } from './lanes-of'

/** A turn as a place in a run: of a signal by its place in the list, or of a phase. */
export interface Place {
  lane: string
  turn: 'on' | 'off'
  nth: number
}
export const keyOf = ({ lane, turn, nth }: Place) => `${lane} ${turn} ${nth}`

/** Ids of lanes. */
export const phaseLane = (machine: Machine, phase: number) => `phase:${machine.phases[phase].id}`
export const signalLane = (machine: Machine, { part, signal }: NoticedSignal) => `${machine.parts[part].id}.${signal}`

/** When each turn of a run comes, s, by its place. */
export function turnsOf(
  machine: Machine,
  signals: readonly NoticedSignal[],
  course: MachineCourse,
): Map<string, Place & { at: number }> {
  const found = new Map<string, Place & { at: number }>()
  const count = new Map<string, number>()
  const add = (lane: string, turn: 'on' | 'off', at: number) => {
    const nth = count.get(`${lane} ${turn}`) ?? 0
    count.set(`${lane} ${turn}`, nth + 1)
    found.set(keyOf({ lane, turn, nth }), { lane, turn, nth, at })
  }
  for (const { phase, at } of course.phases) if (phase >= 0) add(phaseLane(machine, phase), 'on', at)
  signals.forEach((s, k) =>
    course.turns[k].forEach(({ at, on }, i) => {
      // How it stood before the start is no turn.
      if (i > 0) add(signalLane(machine, s), on ? 'on' : 'off', at)
    }),
  )
  return found
}

/** The stretches of each phase, by its index. */
export function phaseSpans(machine: Machine, { phases, ended }: MachineCourse): Map<number, Span[]> {
  const spans = new Map<number, Span[]>()
  phases.forEach(({ phase, at }, i) => {
    if (phase < 0) return
    const span = { from: at, to: phases[i + 1]?.at ?? ended, title: machine.phases[phase].title }
    spans.set(phase, [...(spans.get(phase) ?? []), span])
  })
  return spans
}

/** The stretches in which the k-th signal is on. */
export function signalSpans(course: MachineCourse, k: number): Span[] {
  const turns = course.turns[k]
  return turns.flatMap(({ at, on }, i) => (on ? [{ from: at, to: turns[i + 1]?.at ?? course.ended }] : []))
}
