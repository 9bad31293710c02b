import type { Measurement } from '../../simulation/measurements'
import { isPlacedInstrument } from '../../model/kinds'
import type { Machine, SpecialTest } from '../../model/machine'
import type { WatchStretch } from '../../simulation/simulate'
import { common, panelsOf, type Draft } from './draft'
import { BEFORE_END, PROGRAM_START } from './run-healthy'
import type { TestPlacement } from './test-placement'
import type { HealthyRuns, Loosening, ReadingMoment, Timing } from './types'

/** Longest time that a program is given until its code is read, s. */
const CODE_AFTER = 900

/** How long each phase lasts that the healthy machine ends by itself. */
export function phaseTests({ machine, runs, healthy }: HealthyRuns, placement: TestPlacement): Draft[] {
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
export function codeTests({ machine, runs }: HealthyRuns, { end, found }: TestPlacement): Draft[] {
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

/** What a special test of the sheet reads. */
function measurementOf({ id: test, part, signal, by, asks }: SpecialTest): Measurement {
  if (isPlacedInstrument(by))
    return { type: 'display', id: test, test, part, signal, when: 'settled', by: by === 'display' ? undefined : by }
  return asks === 'how long'
    ? { type: 'on-time', test, part, signal, sense: by }
    : { type: 'watch', test, part, signal, sense: by, asks }
}

/** The stretch through which a special test is watched, as long as the program is; `undefined` where it is looked at once. */
function stretchOf(
  { machine, runs }: HealthyRuns,
  { watched, by }: SpecialTest,
  { position, seconds, run }: ReadingMoment,
): WatchStretch | undefined {
  if (isPlacedInstrument(by)) return undefined
  if (position.type === 'phase') return { type: 'phase', phase: position.phase }
  if (watched === undefined) return undefined
  const last = machine.programs[runs[run].program].duration - BEFORE_END
  return { type: 'time', from: PROGRAM_START + seconds, to: PROGRAM_START + Math.min(seconds + watched, last) }
}

/** When a special test is taken. */
function timingOf(stretch: WatchStretch | undefined, { position }: ReadingMoment): Timing {
  if (!stretch) return { type: 'at', position }
  return stretch.type === 'phase'
    ? { type: 'through-phase', phase: stretch.phase }
    : { type: 'from', position, seconds: stretch.to - stretch.from }
}

/** The special tests of the sheet. */
export function sheetTests(runs: HealthyRuns, placement: TestPlacement): Draft[] {
  const { machine } = runs
  return machine.tests.flatMap((test): Draft[] => {
    const at = placement.named(test.moment)
    if (!at) return []
    const { program } = runs.runs[at.run]
    const { part, signal, asks } = test
    const asFound = at.position.type === 'found'
    const hands = handsAt(machine, test)
    const run = hands.interventions.length ? runs.addRun(program, hands.interventions, at.moment) : at.run
    const through = stretchOf(runs, test, at)
    const timed = asks === 'ever' ? undefined : true
    return [
      {
        ...common(machine, measurementOf(test), at),
        id: test.id,
        run,
        watch: through && runs.addWatch(run, { through, part, signal, timed }),
        timing: timingOf(through, at),
        workMode: hands.interventions.length ? 'energised' : 'observe',
        needs: {
          power: asFound ? 'any' : 'on',
          asFound,
          panels: hands.panels,
          loosened: hands.loosened,
          arrival: asFound ? undefined : { program, seconds: at.seconds },
        },
        minutes: test.minutes,
        caution: test.caution,
      },
    ]
  })
}

/** Minutes to lift a lead and insulate its end, or to fix what is held, and back. */
const RUN_WITH_MINUTES = 1.5

/** What hands do to the machine that it is run with for one test: bridged, a lead lifted, held. */
function handsAt({ parts }: Machine, { id, jumper, lifts, holds }: SpecialTest) {
  const on = [jumper, lifts, ...holds.map(({ part }) => part)].filter((p) => p !== undefined)
  const runWith = (type: 'lifted' | 'held', part: number, at?: Loosening['at']): Loosening => ({
    key: `w${part} ${id}`,
    type,
    part,
    at,
    minutes: RUN_WITH_MINUTES,
  })
  return {
    interventions: [
      ...(jumper === undefined ? [] : [{ jumper }]),
      ...(lifts === undefined ? [] : [{ lifted: lifts }]),
      ...holds.map(({ setting }) => ({ hold: setting })),
    ],
    panels: [...new Set(on.flatMap((p) => panelsOf(parts[p])))],
    loosened: [
      ...(lifts === undefined ? [] : [runWith('lifted', lifts)]),
      ...holds.map(({ part, named }) => runWith('held', part, named)),
    ],
  }
}

/** Where ends may have been exchanged, each is looked at in its place. */
export function connectionTests({ machine }: HealthyRuns, { off, start }: TestPlacement): Draft[] {
  const at = off ?? start
  const seen = new Set<number>()
  return machine.faults.flatMap(({ effects }): Draft[] => {
    const swap = effects.find((e) => e.type === 'swap')
    if (!at || !swap || seen.has(swap.partA)) return []
    seen.add(swap.partA)
    const part = machine.parts[swap.partA]
    const panels = panelsOf(part)
    const measurement: Measurement = { type: 'connection', part: part.index, end: swap.endA, medium: swap.medium }
    return [
      {
        ...common(machine, measurement, at),
        id: `${part.id}.connection`,
        timing: panels.length ? { type: 'at', position: at.position } : { type: 'any-time' },
        workMode: panels.length ? 'isolated' : 'observe',
        needs: { power: panels.length ? 'off' : 'any', asFound: false, panels, loosened: [], arrival: undefined },
      },
    ]
  })
}
