import type { MeasurementSpec, Part } from '../../model/kinds'
import type { Machine } from '../../model/machine'
import { measurementType, type Measurement } from '../../simulation/measurements'
import { common, handsOf, loosenedFor, panelsOf, workModeOf, type Draft } from './draft'
import { loadSide } from './load-side'
import { needsPower } from './needs-power'
import { quietPhases } from './quiet-phases'
import { seenAt } from './seen-at'
import { siblingOf } from './sibling'
import { isActive, type TestPlacement } from './test-placement'
import { NOTHING_TESTED } from './check-untested'
import type { HealthyRuns, ReadingMoment } from './types'

/** Longest time that anybody stands and watches for what should not come, min. */
const LONGEST_WATCH = 2

/** A reading to the return, put to the side of the part where it says something; any other as it is. */
function atLoadSide(
  { parts, returnAt }: Machine,
  part: Part,
  spec: MeasurementSpec,
  at: ReadingMoment,
): MeasurementSpec {
  if (spec.type !== 'volts' || spec.b !== '@return') return spec
  const { part: source, terminal } = returnAt[part.nodes[spec.a]]!
  return { ...spec, a: loadSide(part, spec.a, parts[source].nodes[terminal], at.point) }
}

/** What a kind offers on one of its parts, and where it is taken. */
interface Place {
  part: Part
  spec: MeasurementSpec
  at: ReadingMoment
  /** The machine isolated; `undefined` where it never is. */
  off: ReadingMoment | undefined
  /** Which of several places of one and the same it is. */
  place: number
}

/** A test that a kind offers on one of its parts. */
function partTest(runs: HealthyRuns, { part, spec, at, off, place }: Place): Draft {
  const { machine } = runs
  const plain = { ...spec, part: part.index } as Measurement
  const measurement = measurementType(plain).completed?.(plain, machine) ?? plain
  const shared = common(machine, measurement, at)
  const { opens, touches } = measurementType(measurement)
  const { program } = runs.runs[at.run]
  const hands = handsOf(machine, part, spec.held)
  const isolated = spec.when === 'isolated'
  const inPlace = opens === 'terminals' || opens === 'water'
  const reached = opens === 'terminals' || touches?.(measurement) || isolated
  const panels = reached ? panelsOf(spec.underPressure ? seenAt(machine, part) : part) : []
  const loosened = loosenedFor(part, measurement, spec)
  const asFound = at.position.type === 'found'
  // Whether it passes with nobody calling is seen with the machine off; after a call, hands switch it off on the way.
  const offFirst = spec.underPressure && !spec.afterCall
  // Nothing is opened and nothing is energised: it can be done whenever somebody stands there.
  const anyTime = opens === 'water' || (isolated && !panels.length && !inPlace && !offFirst)
  const fed = opens === 'water' && off !== undefined && needsPower(measurement, shared.meter!, at.point, off.point)
  const run = hands.length ? runs.addRun(program, hands, at.moment) : at.run
  const phase = spec.type === 'sense' && at.position.type === 'phase' ? at.position.phase : undefined
  return {
    ...shared,
    id: place === 0 ? `${part.id}.${spec.id}` : `${part.id}.${spec.id}@${at.id}`,
    run,
    watch:
      spec.type === 'sense' && phase !== undefined
        ? runs.addWatch(run, { through: { type: 'phase', phase }, part: part.index, signal: spec.signal })
        : undefined,
    timing: anyTime
      ? { type: 'any-time' }
      : phase === undefined
        ? { type: 'at', position: at.position }
        : { type: 'through-phase', phase },
    workMode: workModeOf(part, spec, measurement, panels.length > 0),
    needs: {
      power: fed ? 'on' : anyTime || asFound ? 'any' : isolated ? 'off' : 'on',
      asFound,
      panels,
      loosened,
      arrival:
        isolated || opens === 'water' || asFound || at.position.type === 'start'
          ? undefined
          : { program, seconds: at.seconds },
    },
    minutes:
      (spec.minutes ?? measurementType(measurement).minutes) + (spec.when === 'idle' ? watchMinutes(runs, at) : 0),
    destroys: isolated && opens === 'terminals' ? 'live-state' : undefined,
  }
}

/** Minutes that somebody watches through a phase for what should not come. */
function watchMinutes({ healthy }: HealthyRuns, { run, position }: ReadingMoment): number {
  if (position.type !== 'phase') return 0
  const { from, to } = healthy[run].phases[position.phase]
  return Number.isNaN(to) ? LONGEST_WATCH : Math.min((to - from) / 60, LONGEST_WATCH)
}

/** Looks, sounds and feels for what should not be there: watched for in every phase through which the healthy machine is quiet. */
const isWatchedFor = (spec: MeasurementSpec): spec is MeasurementSpec & { type: 'sense' } =>
  spec.type === 'sense' && spec.when === 'idle' && !spec.held

/** Whether any terminal of a part is joined to another part's. */
function isWired({ parts }: Machine, part: Part): boolean {
  const own = new Set(Object.values(part.nodes))
  return parts.some((other) => other !== part && Object.values(other.nodes).some((n) => own.has(n)))
}

/** What is read at a part while its sibling is called and it is not: plugs that are crossed show there, and wires that touch. */
function besideSibling(
  { machine }: HealthyRuns,
  placement: TestPlacement,
  part: Part,
  spec: MeasurementSpec,
): Pick<Place, 'spec' | 'at'> | undefined {
  if (spec.type !== 'volts' || spec.when !== 'active' || spec.b === '@return') return undefined
  const sibling = siblingOf(machine, part)
  const at = sibling && placement.momentFor(sibling, spec)
  if (!at || at.position.type !== 'phase' || isActive(machine, part, at.point)) return undefined
  return { spec: { ...spec, when: 'idle' }, at }
}

/** The tests that the kinds of the parts offer. */
export function partTests(runs: HealthyRuns, placement: TestPlacement): Draft[] {
  const { machine } = runs
  const offered = machine.parts.flatMap((part) =>
    (machine.kinds[part.index].measurements?.(part) ?? []).flatMap((spec) => {
      const measurement = { ...spec, part: part.index } as Measurement
      const { opens, isPossible } = measurementType(measurement)
      if (part.untested.includes(spec.id) || part.untested.includes(NOTHING_TESTED)) return []
      const bare = opens === 'terminals' && !isWired(machine, part)
      return bare || isPossible?.(measurement, machine) === false ? [] : [{ part, spec }]
    }),
  )
  const watchedFor = offered.flatMap(({ part, spec }) => (isWatchedFor(spec) ? [{ part: part.index, spec }] : []))
  const quiet = quietPhases(
    runs,
    watchedFor.map(({ part, spec }) => ({ part, signal: spec.signal })),
  )
  return offered.flatMap(({ part, spec }) => {
    const usual = placement.momentFor(part, spec)
    const places = quiet[watchedFor.findIndex((w) => w.spec === spec && w.part === part.index)] ?? []
    const idle = spec.type === 'amps' && spec.when === 'idle' ? placement.idleMoments(part) : []
    const several = places.length ? places : idle
    const moments = several.length ? several : usual ? [usual] : []
    const { off } = placement
    const beside = besideSibling(runs, placement, part, spec)
    const tests = moments.map((at, place) => {
      // What shows only under pressure may have to be looked at with the machine on.
      const on = spec.underPressure && at.position.type !== 'off'
      const placed = on ? ({ ...spec, when: 'idle' } as MeasurementSpec) : spec
      return partTest(runs, { part, spec: atLoadSide(machine, part, placed, at), at, off, place })
    })
    return beside ? [...tests, partTest(runs, { part, off, place: Math.max(1, moments.length), ...beside })] : tests
  })
}
