import { formatQuantity } from '../foundation/quantity'
import type { Machine } from '../model/machine'
import { capital } from './capital'
import { signalOf, titleOf } from './measurements/pieces'

/** What can be noticed of a part, as the name of its lane or curve: "Fill valve: water runs through it", "Tub: water level". */
export const describeLane = (machine: Machine, part: number, signal: string): string =>
  `${capital(titleOf(machine, part))}: ${signalOf(machine, part, signal)}`

/** What turns, as it is waited for and marked. */
export const describeCue = (lane: string, turn: 'on' | 'off'): string => (turn === 'on' ? lane : `${lane} no more`)

/** Seconds of a run as a clock shows them: "2:05". */
export function formatClock(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds))
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

/** Why something is late, by a suspect: "coil open: never", "screen clogged: at 4:10". */
export const describeSuspectTurn = (title: string, at: number | undefined): string =>
  at === undefined ? `${title}: it never comes` : `${title}: it comes at ${formatClock(at)}`

/** What is said aloud before hands are to be off. */
export const describeNextCall = (title: string, seconds: number): string =>
  seconds < 1
    ? `${title} now: hands off, read.`
    : `${title} in ${formatQuantity(Math.round(seconds), 'time')}: hands off, read.`
