import { shortestPath } from '../foundation/shortest-path'
import type { Machine } from '../model/machine'
import type { Procedure } from './types'

/** How the machine and the technician stand: what is open, whether power is on, how far a program has run. */
export interface Standing {
  power: 'on' | 'off'
  /** Ids of open panels. */
  open: readonly string[]
  /** The program that runs and how far it has come, s. */
  running: { program: number; seconds: number } | undefined
}

export type Move =
  | { is: 'isolate'; minutes: number }
  | { is: 'restore'; minutes: number }
  | { is: 'open'; panel: string; minutes: number }
  | { is: 'start'; program: number; minutes: number }
  | { is: 'wait'; minutes: number }

const ISOLATE_MINUTES = 1.5
const RESTORE_MINUTES = 1
const START_MINUTES = 0.4

const keyOf = (s: Standing): string =>
  `${s.power}|${[...s.open].sort().join(',')}|${s.running ? `${s.running.program}@${s.running.seconds}` : ''}`

/** The moves that are possible now; panels are opened with the power off. */
function movesFrom(machine: Machine, s: Standing, goal: Procedure): { move: Move; next: Standing }[] {
  const out: { move: Move; next: Standing }[] = []
  if (s.power === 'on')
    out.push({ move: { is: 'isolate', minutes: ISOLATE_MINUTES }, next: { ...s, power: 'off', running: undefined } })
  else {
    out.push({ move: { is: 'restore', minutes: RESTORE_MINUTES }, next: { ...s, power: 'on' } })
    for (const panel of goal.needs.panels)
      if (!s.open.includes(panel)) {
        const minutes = machine.panelMinutes.get(panel)!
        out.push({ move: { is: 'open', panel, minutes }, next: { ...s, open: [...s.open, panel] } })
      }
  }
  const { reach } = goal.needs
  if (reach && s.power === 'on') {
    if (s.running?.program !== reach.program || s.running.seconds > reach.seconds)
      out.push({
        move: {
          is: 'start',
          program: reach.program,
          minutes: machine.programs[reach.program].serviceMinutes ?? START_MINUTES,
        },
        next: { ...s, running: { program: reach.program, seconds: 0 } },
      })
    else if (s.running.seconds < reach.seconds)
      out.push({
        move: { is: 'wait', minutes: (reach.seconds - s.running.seconds) / 60 },
        next: { ...s, running: { ...s.running, seconds: reach.seconds } },
      })
  }
  return out
}

const reached = (s: Standing, { needs }: Procedure): boolean =>
  (needs.power === 'any' || s.power === needs.power) &&
  needs.panels.every((p) => s.open.includes(p)) &&
  (!needs.reach || (s.running?.program === needs.reach.program && s.running.seconds === needs.reach.seconds))

export interface Way {
  /** Minutes with the reading itself. */
  minutes: number
  moves: Move[]
  /** How one stands afterwards. */
  after: Standing
}

/** Ways already found; the same few standings come again and again. */
const found = new WeakMap<Machine, Map<string, Way>>()

/** The cheapest way from a standing to a procedure, with the reading itself. */
export function minutesTo(machine: Machine, from: Standing, goal: Procedure): Way {
  let known = found.get(machine)
  if (!known) found.set(machine, (known = new Map()))
  const key = `${goal.key}|${keyOf(from)}`
  let way = known.get(key)
  if (!way) known.set(key, (way = search(machine, from, goal)))
  return way
}

function search(machine: Machine, from: Standing, goal: Procedure): Way {
  const path = shortestPath(
    from,
    (standing) => reached(standing, goal),
    (standing) =>
      movesFrom(machine, standing, goal).map(({ move, next }) => ({ to: next, cost: move.minutes, label: move })),
    keyOf,
  )
  if (!path) return { minutes: Infinity, moves: [], after: from }
  return { minutes: path.cost + goal.minutes, moves: path.labels, after: path.goal }
}
