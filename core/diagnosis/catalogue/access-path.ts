import { shortestPath } from '../../foundation/shortest-path'
import type { Machine } from '../../model/machine'
import type { Loosening, Strip } from './procedure'

/** A test as a goal: one reading, or a column of them. */
type Goal = Pick<Strip, 'key' | 'needs' | 'minutes' | 'workMode'>

/** How the machine and the technician stand: what is open, whether power is on, how far a program has run. */
export interface WorkState {
  power: 'on' | 'off'
  /** Ids of open panels. */
  open: readonly string[]
  /** What is off or on by hand, by key. */
  loosened: readonly string[]
  /** The program that runs and how far it has come, s. */
  running: { program: number; seconds: number } | undefined
  /** Whether the machine still stands as the customer's run left it. */
  asFound: boolean
}

export type WorkStep =
  | { type: 'isolate'; minutes: number }
  | { type: 'restore'; minutes: number }
  | { type: 'open'; panel: string; minutes: number }
  | ({ type: 'loosen'; what: Loosening['type'] } & Pick<Loosening, 'part' | 'minutes' | 'at'>)
  | { type: 'start'; program: number; minutes: number }
  | { type: 'wait'; minutes: number }

/** Minutes of starting a program. */
export const START_MINUTES = 0.4

const keyOf = (s: WorkState): string =>
  `${s.power}|${s.asFound ? 'found' : ''}|${[...s.open].sort().join(',')}|${[...s.loosened].sort().join(',')}|${s.running ? `${s.running.program}@${s.running.seconds}` : ''}`

type Step = { to: WorkState; cost: number; label: WorkStep }
const step = (label: WorkStep, to: WorkState): Step => ({ to: { ...to, asFound: false }, cost: label.minutes, label })

/** Keys of what hands have off or on: `l3` leads of part 3, `j7` the joint at water node 7, `i4` the insert of part 4, `c12` clips, `w5 …` what a machine is run with for one test:
 * a lead of part 5 lifted, part 5 held by hand. */
const isLeads = (key: string): boolean => key.startsWith('l')
const isRunWith = (key: string): boolean => key.startsWith('w')
const isWater = (key: string): boolean => key.startsWith('j') || key.startsWith('i')

/** Power is off; what it was run with for a test is put back before anything else is done. */
export const isolated = (s: WorkState): WorkState => ({
  ...s,
  power: 'off',
  running: undefined,
  loosened: s.loosened.filter((key) => !isRunWith(key)),
})

/** Power is put back: leads and plugs go on before it; a hose stays as it is. */
export const powered = (s: WorkState): WorkState => ({
  ...s,
  power: 'on',
  loosened: s.loosened.filter((key) => !isLeads(key)),
})

/** A program runs and has come so far; it takes water, so its hoses are on. */
export const started = (s: WorkState, program: number, seconds: number): WorkState => ({
  ...s,
  loosened: s.loosened.filter((key) => !isWater(key)),
  running: { program, seconds },
})

/** Steps between powered and isolated; panels are opened with the power off. */
function powerSteps(machine: Machine, s: WorkState, goal: Goal): Step[] {
  if (s.power === 'on') return [step({ type: 'isolate', minutes: machine.safetyMinutes.isolate }, isolated(s))]
  const closed = goal.needs.panels.filter((panel) => !s.open.includes(panel))
  const fast = goal.needs.loosened.filter(({ key }) => !s.loosened.includes(key))
  return [
    step({ type: 'restore', minutes: machine.safetyMinutes.restore }, powered(s)),
    ...closed.map((panel) =>
      step({ type: 'open', panel, minutes: machine.panelMinutes.get(panel)! }, { ...s, open: [...s.open, panel] }),
    ),
    // Panels first: what comes off stands behind them.
    ...(closed.length ? [] : fast.slice(0, 1)).map(({ key, type, part, minutes, at }) =>
      step({ type: 'loosen', what: type, part, minutes, at }, { ...s, loosened: [...s.loosened, key] }),
    ),
  ]
}

/** Steps that bring a program to the moment of a test: starting it, and waiting. */
function programSteps(machine: Machine, s: WorkState, { needs: { arrival } }: Goal): Step[] {
  if (!arrival || s.power !== 'on') return []
  const { program, seconds } = arrival
  if (s.running?.program !== program || s.running.seconds > seconds) {
    const minutes = machine.programs[program].serviceMinutes ?? START_MINUTES
    return [step({ type: 'start', program, minutes }, started(s, program, 0))]
  }
  if (s.running.seconds === seconds) return []
  const minutes = (seconds - s.running.seconds) / 60
  return [step({ type: 'wait', minutes }, { ...s, running: { program, seconds } })]
}

const isReached = (s: WorkState, { needs }: Goal): boolean =>
  (!needs.asFound || s.asFound) &&
  (needs.power === 'any' || s.power === needs.power) &&
  needs.panels.every((p) => s.open.includes(p)) &&
  needs.loosened.every(({ key }) => s.loosened.includes(key)) &&
  s.loosened.every((key) => !isRunWith(key) || needs.loosened.some((l) => l.key === key)) &&
  (!needs.arrival || (s.running?.program === needs.arrival.program && s.running.seconds === needs.arrival.seconds))

/**
 * How one stands once a test has been taken, from wherever it was come to: with the power it wants, what it wants open
 * and off, its program run to its moment. Whatever needs more than eyes has moved something.
 */
export function leaveBehind(s: WorkState, { needs, workMode }: Goal): WorkState {
  const { power, panels, loosened, arrival } = needs
  let to = power === 'on' ? powered(s) : power === 'off' ? isolated(s) : s
  if (arrival) to = started(to, arrival.program, arrival.seconds)
  return {
    ...to,
    open: [...new Set([...to.open, ...panels])],
    loosened: [...new Set([...to.loosened.filter((key) => !isRunWith(key)), ...loosened.map(({ key }) => key)])],
    asFound: s.asFound && power === 'any' && !arrival && !panels.length && !loosened.length && workMode === 'observe',
  }
}

export interface AccessPath {
  /** Minutes with the reading itself. */
  minutes: number
  steps: WorkStep[]
  /** How one stands afterwards. */
  after: WorkState
}

/** The cheapest ways to the tests of a machine; the same few work states come again and again. */
export class AccessPaths {
  private readonly known = new Map<string, AccessPath>()

  constructor(private readonly machine: Machine) {}

  /** The cheapest way from a work state to a test, with the reading itself; Infinity minutes where there is none. */
  from(state: WorkState, goal: Goal): AccessPath {
    const key = `${goal.key}|${keyOf(state)}`
    let path = this.known.get(key)
    if (!path) this.known.set(key, (path = this.search(state, goal)))
    return path
  }
  private search(state: WorkState, goal: Goal): AccessPath {
    // No step leads back to how the machine was found.
    if (goal.needs.asFound && !state.asFound) return { minutes: Infinity, steps: [], after: state }
    const found = shortestPath(
      state,
      (s) => isReached(s, goal),
      (s) => [...powerSteps(this.machine, s, goal), ...programSteps(this.machine, s, goal)],
      keyOf,
    )
    if (!found) return { minutes: Infinity, steps: [], after: state }
    return { minutes: found.cost + goal.minutes, steps: found.labels, after: leaveBehind(found.goal, goal) }
  }
}
