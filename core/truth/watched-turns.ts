import type { Machine } from '../model/machine'
import type { LivePlain } from './live-plain'

/** Something that turned while somebody watched. */
export interface SeenTurn {
  /** `phase:ID` or `PART.signal` */
  lane: string
  turn: 'on' | 'off'
  /** The how manieth of this lane and turn, from 0. */
  nth: number
  /** s since the program was started */
  seconds: number
}

/** Looked at so often, s. */
const EVERY = 0.5

/**
 * What somebody who sees everything sees of a program on a machine that stands there: each lane as it turns. Begins the program.
 *
 * @param lanes what is watched, each `PART.signal`; phases are watched besides
 * @param seconds how long, s
 * @param atOnce lanes that turn on with the start on such a machine: one that stands there with its power on is on already
 */
export function watchedTurns(
  machine: Machine,
  live: LivePlain,
  program: number,
  lanes: readonly string[],
  seconds: number,
  atOnce: ReadonlySet<string> = new Set(),
): SeenTurn[] {
  const watched = lanes.flatMap((lane) => {
    const dot = lane.indexOf('.')
    const part = machine.partIndex.get(lane.slice(0, dot))
    return part === undefined ? [] : [{ lane, part, signal: lane.slice(dot + 1) }]
  })
  const turns: SeenTurn[] = []
  const count = new Map<string, number>()
  const add = (lane: string, turn: 'on' | 'off', at: number) => {
    const key = `${lane} ${turn}`
    const nth = count.get(key) ?? 0
    count.set(key, nth + 1)
    turns.push({ lane, turn, nth, seconds: at })
  }
  const was = watched.map((w) => live.isOn(w.part, w.signal))
  let phase = live.phase
  const running = phase < 0 ? '' : `phase:${machine.phases[phase].id}`
  if (atOnce.has(running)) add(running, 'on', 0)
  watched.forEach(({ lane }, k) => was[k] && atOnce.has(lane) && add(lane, 'on', 0))
  const from = live.time
  live.begin(program)
  for (let at = EVERY; at <= seconds; at += EVERY) {
    live.goTo(from + at)
    if (live.phase !== phase) {
      phase = live.phase
      if (phase >= 0) add(`phase:${machine.phases[phase].id}`, 'on', at)
    }
    watched.forEach((w, k) => {
      const is = live.isOn(w.part, w.signal)
      if (is !== was[k]) add(w.lane, is ? 'on' : 'off', at)
      was[k] = is
    })
    if (phase >= 0 && machine.phases[phase].final) break
  }
  return turns
}
