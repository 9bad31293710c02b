import { shortestPath } from '../../foundation/shortest-path'
import type { Machine } from '../../model/machine'
import type { Procedure } from './types'

/** How the machine and the technician stand: what is open, whether power is on, how far a program has run. */
export interface WorkState {
  power: 'on' | 'off'
  /** Ids of open panels. */
  open: readonly string[]
  /** The program that runs and how far it has come, s. */
  running: { program: number; seconds: number } | undefined
}

export type WorkStep =
  | { type: 'isolate'; minutes: number }
  | { type: 'restore'; minutes: number }
  | { type: 'open'; panel: string; minutes: number }
  | { type: 'start'; program: number; minutes: number }
  | { type: 'wait'; minutes: number }

const ISOLATE_MINUTES = 1.5
const RESTORE_MINUTES = 1
const START_MINUTES = 0.4

const keyOf = (s: WorkState): string =>
  `${s.power}|${[...s.open].sort().join(',')}|${s.running ? `${s.running.program}@${s.running.seconds}` : ''}`

/** The moves that are possible now; panels are opened with the power off. */
function movesFrom(machine: Machine, s: WorkState, goal: Procedure): { move: WorkStep; next: WorkState }[] {
  const out: { move: WorkStep; next: WorkState }[] = []
  if (s.power === 'on')
    out.push({ move: { type: 'isolate', minutes: ISOLATE_MINUTES }, next: { ...s, power: 'off', running: undefined } })
  else {
    out.push({ move: { type: 'restore', minutes: RESTORE_MINUTES }, next: { ...s, power: 'on' } })
    for (const panel of goal.needs.panels)
      if (!s.open.includes(panel)) {
        const minutes = machine.panelMinutes.get(panel)!
        out.push({ move: { type: 'open', panel, minutes }, next: { ...s, open: [...s.open, panel] } })
      }
  }
  const { arrival: reach } = goal.needs
  if (reach && s.power === 'on') {
    if (s.running?.program !== reach.program || s.running.seconds > reach.seconds)
      out.push({
        move: {
          type: 'start',
          program: reach.program,
          minutes: machine.programs[reach.program].serviceMinutes ?? START_MINUTES,
        },
        next: { ...s, running: { program: reach.program, seconds: 0 } },
      })
    else if (s.running.seconds < reach.seconds)
      out.push({
        move: { type: 'wait', minutes: (reach.seconds - s.running.seconds) / 60 },
        next: { ...s, running: { ...s.running, seconds: reach.seconds } },
      })
  }
  return out
}

const reached = (s: WorkState, { needs }: Procedure): boolean =>
  (needs.power === 'any' || s.power === needs.power) &&
  needs.panels.every((p) => s.open.includes(p)) &&
  (!needs.arrival || (s.running?.program === needs.arrival.program && s.running.seconds === needs.arrival.seconds))

export interface AccessPath {
  /** Minutes with the reading itself. */
  minutes: number
  steps: WorkStep[]
  /** How one stands afterwards. */
  after: WorkState
}

/** Ways already found; the same few standings come again and again. */
const found = new WeakMap<Machine, Map<string, AccessPath>>()

/** The cheapest way from a standing to a procedure, with the reading itself. */
export function accessPath(machine: Machine, from: WorkState, goal: Procedure): AccessPath {
  let known = found.get(machine)
  if (!known) found.set(machine, (known = new Map()))
  const key = `${goal.key}|${keyOf(from)}`
  let way = known.get(key)
  if (!way) known.set(key, (way = search(machine, from, goal)))
  return way
}

function search(machine: Machine, from: WorkState, goal: Procedure): AccessPath {
  const path = shortestPath(
    from,
    (workState) => reached(workState, goal),
    (workState) =>
      movesFrom(machine, workState, goal).map(({ move, next }) => ({ to: next, cost: move.minutes, label: move })),
    keyOf,
  )
  if (!path) return { minutes: Infinity, steps: [], after: from }
  return { minutes: path.cost + goal.minutes, steps: path.labels, after: path.goal }
}
