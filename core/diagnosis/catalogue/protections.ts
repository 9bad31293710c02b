import { mayBeBridged } from '../../model/kinds'
import { makeFaultedMachine, type FaultedMachine } from '../../model/machine'
import { simulate, type OperatingPoint, type Script } from '../../simulation/simulate'
import type { TestCatalogue } from './types'

/** A contact is opened so long after the moment looked at, s. */
const OPENED_AFTER = 0.1
/** What follows is looked at so long after it, s: at once, and past what a relay or a timer holds on for. */
const SEEN_AFTER = [3, 60]

const known = new WeakMap<TestCatalogue, Map<number, readonly number[]>>()

/** Parts that can hurt, each at the first moment at which it is on and stays on: the script up to that, and where it is seen on. */
function dangersOf({ machine, runs, readingMoments }: TestCatalogue, faulted: FaultedMachine) {
  const { kinds, parts } = machine
  const isOn = (part: number, point: OperatingPoint | undefined) =>
    point !== undefined && point.signal(part, kinds[part].active!) > 0.5
  return parts
    .filter(({ index }) => kinds[index].endangers && kinds[index].active)
    .flatMap(({ index }) => {
      const seen = (own: Script) => simulate(faulted, own).snapshots.map((point) => isOn(index, point))
      for (const { run, point } of readingMoments) {
        if (!isOn(index, point)) continue
        const script: Script = {
          steps: runs[run].script.steps.filter((s) => s.at <= point.time),
          until: point.time + Math.max(...SEEN_AFTER) + 1,
          stopsWhenFinal: false,
          moments: SEEN_AFTER.map((after) => ({ type: 'time', at: point.time + after })),
        }
        const usual = seen(script)
        if (usual.some((on) => on)) return [{ part: index, time: point.time, script, usual, seen }]
      }
      return []
    })
}

/**
 * What a contact lets run that can hurt or break something: heat, motors, pressure that end as soon as it opens. Found by
 * running the machine and opening it, whatever lies between: relays, or the control.
 *
 * @returns indices of parts; none where nothing is known of how it opens
 */
export function permittedBy(catalogue: TestCatalogue, part: number): readonly number[] {
  let all = known.get(catalogue)
  if (!all) {
    const { machine } = catalogue
    const faulted = makeFaultedMachine(machine)
    const dangers = dangersOf(catalogue, faulted)
    all = new Map(
      machine.parts.flatMap(({ index, mode }) => {
        const { interrupts } = machine.kinds[index]
        if (!interrupts) return []
        const hold = [{ mode: mode[interrupts.mode], value: interrupts.value }]
        const ended = dangers.filter(({ time, script, usual, seen }) => {
          const steps = [...script.steps, { at: time + OPENED_AFTER, hold }]
          const opened = seen({ ...script, steps })
          return usual.some((on, k) => on && !opened[k])
        })
        return [[index, ended.map((d) => d.part)]]
      }),
    )
    known.set(catalogue, all)
  }
  return all.get(part) ?? []
}

/**
 * Whether a jumper may be put across a part: never across protection. What permits heat, a motor or pressure is protection,
 * unless the sheet has a test of its own that bridges it.
 */
export function mayBeBridgedIn(catalogue: TestCatalogue, part: number): boolean {
  const { kinds, parts, tests } = catalogue.machine
  if (!mayBeBridged(kinds[part], parts[part].choice)) return false
  return tests.some((t) => t.jumper === part) || permittedBy(catalogue, part).length === 0
}
