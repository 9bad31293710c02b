import type { MeasurementSpec, Part } from '../../model/kinds'
import type { Intervention, Machine } from '../../model/machine'
import { alternativeMeters } from '../../simulation/instrument'
import { measurementType, type Measurement } from '../../simulation/measurements'
import { AccessPaths } from './access-path'
import { loadSide } from './load-side'
import { needsPower } from './needs-power'
import { quietPhases } from './quiet-phases'
import { PROGRAM_START, runHealthy } from './run-healthy'
import { TestPlacement } from './test-placement'
import type { WorkMode } from '../../evidence'
import type { HealthyRuns, Loosening, Procedure, ReadingMoment, TestCatalogue, Timing } from './types'

/** Longest time that anybody stands and watches for what should not come, min. */
const LONGEST_WATCH = 2
/** Longest time that a program is given until its code is read, s. */
const CODE_AFTER = 900

/** Modes that a hand holds for a test, as interventions. */
function handsOf(machine: Machine, part: Part, modes: Record<string, string> = {}): Intervention[] {
  return Object.entries(modes).map(([name, value]) => {
    const spec = machine.kinds[part.index].modes!.find((m) => m.name === name)!
    return { hold: { mode: part.mode[name], value: spec.values.indexOf(value) } }
  })
}

/** Minutes for what hands take off or put on, and on or off again. */
const LOOSENING = { joint: 2.5, insert: 2.5, leads: 1, clips: 0.5 }

/** What a test of a part wants off or on: by how it is reached, and whether probes go to bare terminals. */
function loosenedFor(part: Part, measurement: Measurement, { reach, when, id }: MeasurementSpec): Loosening[] {
  const port = 'port' in measurement ? measurement.port : Object.keys(part.ports)[0]
  const of = (type: Loosening['type'], number: number): Loosening => ({
    key: `${type[0]}${number}`,
    type,
    part: part.index,
    minutes: LOOSENING[type],
  })
  const type = measurementType(measurement)
  if (type.opens === 'water') return [of('joint', part.ports[port])]
  if (reach === 'joint') return [of('joint', part.ports[port]), of('insert', part.index)]
  if (type.opens !== 'terminals') return []
  if (type.takesLeadsOff?.(measurement)) return [of('leads', part.index)]
  // Clipped on dead, then read with the hands away: each reading by itself.
  return when === 'isolated' ? [] : [{ ...of('clips', part.index), key: `c${part.index}.${id}` }]
}

/** What hands do decides which safety steps come first. */
function workModeOf(part: Part, spec: MeasurementSpec, measurement: Measurement, panels: boolean): WorkMode {
  const { opens } = measurementType(measurement)
  const off = spec.when === 'isolated'
  if (opens === 'water' || spec.reach) return 'water'
  if (opens === 'terminals' || panels) return off ? 'isolated' : 'energised'
  // A bleed or a plunger turned by hand lets pressure out; a lead put across terminals is live work.
  if (spec.held) return Object.keys(part.ports).length ? 'water' : 'energised'
  return 'observe'
}

type Draft = Omit<Procedure, 'index' | 'key'>
const panelsOf = (part: Part): string[] => (part.panel === undefined ? [] : [part.panel])

/** What every test of a measurement has, whatever the moment. */
function common(machine: Machine, measurement: Measurement, at: ReadingMoment) {
  const type = measurementType(measurement)
  const meter = type.meter(measurement, machine, at.point)
  return {
    measurement,
    run: at.run,
    moment: at.moment,
    watch: undefined,
    timing: { type: 'at' as const, position: at.position } as Timing,
    shape: type.shape(measurement, machine),
    meter,
    alternativeMeters: alternativeMeters(meter),
    minutes: type.minutes,
    caution: undefined,
    destroys: undefined,
  }
}

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
  const measurement = { ...spec, part: part.index } as Measurement
  const shared = common(machine, measurement, at)
  const { opens, touches } = measurementType(measurement)
  const { program } = runs.runs[at.run]
  const hands = handsOf(machine, part, spec.held)
  const isolated = spec.when === 'isolated'
  const inPlace = opens === 'terminals' || opens === 'water'
  const reached = opens === 'terminals' || touches?.(measurement) || isolated
  const panels = reached ? panelsOf(part) : []
  const loosened = loosenedFor(part, measurement, spec)
  const asFound = at.position.type === 'found'
  // Nothing is opened and nothing is energised: it can be done whenever somebody stands there.
  const anyTime = opens === 'water' || (isolated && !panels.length && !inPlace)
  const fed = opens === 'water' && off !== undefined && needsPower(measurement, shared.meter!, at.point, off.point)
  const run = hands.length ? runs.addRun(program, hands, at.moment) : at.run
  const phase = spec.type === 'sense' && at.position.type === 'phase' ? at.position.phase : undefined
  return {
    ...shared,
    id: place === 0 ? `${part.id}.${spec.id}` : `${part.id}.${spec.id}@${at.id}`,
    run,
    watch:
      spec.type === 'sense' && phase !== undefined
        ? runs.addWatch(run, { phase, part: part.index, signal: spec.signal })
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

/** How long each phase lasts that the healthy machine ends by itself. */
function phaseTests({ machine, runs, healthy }: HealthyRuns, placement: TestPlacement): Draft[] {
  return machine.phases.flatMap((phase): Draft[] => {
    const at = placement.phase(phase.index)
    // What the clock alone ends has no length to learn.
    if (!at || phase.final || phase.exits.every(({ when }) => when.type === 'after')) return []
    const { from, to } = healthy[at.run].phases[phase.index]
    if (Number.isNaN(to)) return []
    const fields = common(machine, { type: 'duration', phase: phase.index }, at)
    const seconds = from - PROGRAM_START
    return [
      {
        ...fields,
        id: `${phase.id}.lasts`,
        timing: { type: 'whole-phase', phase: phase.index },
        workMode: 'observe',
        needs: {
          power: 'on',
          asFound: false,
          panels: [],
          loosened: [],
          arrival: { program: runs[at.run].program, seconds },
        },
        minutes: (to - from) / 60 + fields.minutes,
      },
    ]
  })
}

/** The code that the customer's run left, and the one shown when a program has run out. */
function codeTests({ machine, runs }: HealthyRuns, { end, found }: TestPlacement): Draft[] {
  if (!machine.alarms.length || !end || !found) return []
  const arrival = { program: runs[end.run].program, seconds: Math.min(end.seconds, CODE_AFTER) }
  return [
    {
      ...common(machine, { type: 'code' }, end),
      id: 'control.code',
      workMode: 'observe',
      needs: { power: 'on', asFound: false, panels: [], loosened: [], arrival },
    },
    {
      ...common(machine, { type: 'code' }, found),
      id: 'control.code@found',
      workMode: 'observe',
      needs: { power: 'any', asFound: true, panels: [], loosened: [], arrival: undefined },
    },
  ]
}

/** The special tests of the sheet. */
function sheetTests(runs: HealthyRuns, placement: TestPlacement): Draft[] {
  const { machine } = runs
  return machine.tests.flatMap((test): Draft[] => {
    const at = placement.named(test.moment)
    if (!at) return []
    const { program } = runs.runs[at.run]
    const { jumper, part, signal, sense } = test
    const measurement: Measurement = { type: 'watch', test: test.id, part, signal, sense }
    const asFound = at.position.type === 'found'
    return [
      {
        ...common(machine, measurement, at),
        id: test.id,
        run: jumper === undefined ? at.run : runs.addRun(program, [{ jumper }], at.moment),
        workMode: jumper === undefined ? 'observe' : 'energised',
        needs: {
          power: asFound ? 'any' : 'on',
          asFound,
          panels: jumper === undefined ? [] : panelsOf(machine.parts[jumper]),
          loosened: [],
          arrival: asFound ? undefined : { program, seconds: at.seconds },
        },
        minutes: test.minutes,
        caution: test.caution,
      },
    ]
  })
}

/** Looks, sounds and feels for what should not be there: watched for in every phase through which the healthy machine is quiet. */
const isWatchedFor = (spec: MeasurementSpec): spec is MeasurementSpec & { type: 'sense' } =>
  spec.type === 'sense' && spec.when === 'idle' && !spec.held

/** Whether any terminal of a part is joined to another part's. */
function isWired({ parts }: Machine, part: Part): boolean {
  const own = new Set(Object.values(part.nodes))
  return parts.some((other) => other !== part && Object.values(other.nodes).some((n) => own.has(n)))
}

/** The tests that the kinds of the parts offer. */
function partTests(runs: HealthyRuns, placement: TestPlacement): Draft[] {
  const { machine } = runs
  const offered = machine.parts.flatMap((part) =>
    (machine.kinds[part.index].measurements?.(part) ?? []).flatMap((spec) => {
      const measurement = { ...spec, part: part.index } as Measurement
      const { opens, isPossible } = measurementType(measurement)
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
    return moments.map((at, place) => {
      // What shows only under pressure may have to be looked at with the machine on.
      const on = spec.underPressure && at.position.type !== 'off'
      const placed = on ? ({ ...spec, when: 'idle' } as MeasurementSpec) : spec
      return partTest(runs, { part, spec: atLoadSide(machine, part, placed, at), at, off, place })
    })
  })
}

/**
 * Every test that follows from the machine, plus the special ones of its sheet.
 *
 * The healthy machine is run once per program; a test that waits for its part to be called is placed in the first phase
 * in which the healthy part is active, an idle one before a program is started, or else in the first running phase in
 * which the part is not. What is watched for because it should not be there has a test in each phase without it: which of
 * them tells most hangs on what is suspected.
 */
export function buildCatalogue(machine: Machine): TestCatalogue {
  const runs = runHealthy(machine)
  const placement = new TestPlacement(runs)
  const drafts = partTests(runs, placement)
  drafts.push(...phaseTests(runs, placement), ...codeTests(runs, placement), ...sheetTests(runs, placement))
  const procedures = drafts.map((p, index): Procedure => ({ ...p, index, key: String(index).padStart(5, '0') }))
  return { ...runs, procedures, accessPaths: new AccessPaths(machine), customersRun: placement.found?.run ?? 0 }
}
