import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { createEngine, expectedRun, type Engine } from '../../../core/advice'
import { orThrow } from '../../../core/foundation/result'
import { parseReading } from '../../../core/foundation/quantity'
import { severityAt, type ActiveFault } from '../../../core/model/machine'
import { readSheet } from '../../../core/model/sheet'
import {
  findInRun,
  followCues,
  judgeRun,
  markedPhases,
  nextCue,
  runTime,
  type ExpectedRun,
  type Mark,
} from '../../../core/running'
import { DrawnMachine, phaseTimes, random, watchedTurns } from '../../../core/truth'
import { oneOfEachFamily } from '../support/shipped'

const PROGRAM_START = 1

const engineOf = (id: string): Engine => {
  const { text, file } = findShipped(id)!
  return createEngine(orThrow(readSheet(text, file, (name) => findShipped(name))))
}
const runOf = (engine: Engine, program = 0, conditions: Record<string, number> = {}): ExpectedRun =>
  expectedRun(engine.predictor, engine.advise([], 'best', 0), program, conditions)

/** Marks as somebody sets who notices everything when it is expected. */
const allMarked = (run: ExpectedRun): Mark[] =>
  run.cues.map(({ lane, turn, nth, at }, i) => ({ event: String(i), lane, turn, nth, seconds: at, noticed: 'hand' }))

describe('the expected run against machines that the plain simulator runs', () => {
  it.each(['quenby-c12', 'brindlow-d3', 'tarvost-k6'])(
    'the phases of good machines of %s last as long as the windows say',
    (id) => {
      const engine = engineOf(id)
      const run = runOf(engine)
      const { machine } = engine
      let [inside, all] = [0, 0]
      for (let seed = 1; seed <= 8; seed++) {
        const truth = new DrawnMachine(engine.catalogue, [], random(seed))
        const index = engine.catalogue.runs.findIndex((r) => r.program === 0 && !r.interventions.length)
        const times = phaseTimes(machine, truth.run(index))
        for (const phase of machine.phases) {
          const cue = run.cues.find((c) => c.lane === `phase:${phase.id}` && c.nth === 0)
          const before = machine.phases.find((p) => `phase:${p.id}` === cue?.since?.lane)
          if (!cue?.since || !before) continue
          const took = times[phase.index]!.from - times[before.index]!.from
          if (Number.isNaN(took)) continue
          all++
          // The plain simulator steps by a tenth of a second.
          if (took >= cue.since.early - 0.3 && took <= cue.since.late + 0.3) inside++
        }
      }
      expect(all).toBeGreaterThan(15)
      expect(inside / all).toBeGreaterThan(0.95)
    },
  )

  it('a suspect is late where a machine with that fault is late', () => {
    const engine = engineOf('orrisk-tl40')
    const { machine, catalogue } = engine
    const fault = machine.faults.find((f) => f.id === 'cold-screen.blocked')!
    const active: ActiveFault = { fault, severity: fault.severity && severityAt(fault.severity, 0.5) }
    const advice = engine.advise([{ type: 'complaint', complaint: machine.complaints[0]!.id }], 'best', 0)
    const run = expectedRun(engine.predictor, advice, 0)
    const title = run.cues[0]!.suspects.find((s) => s.title.includes(fault.title))?.title
    expect(title).toBeDefined()
    const truth = new DrawnMachine(catalogue, [active], random(1), 'none')
    const times = phaseTimes(machine, truth.run(0))
    for (const phase of machine.phases) {
      const cue = run.cues.find((c) => c.lane === `phase:${phase.id}` && c.nth === 0)
      const at = cue?.suspects.find((s) => s.title === title)?.at
      const began = times[phase.index]!.from - PROGRAM_START
      if (!cue) continue
      // A phase that the fault keeps away never comes in either.
      expect(Number.isNaN(began)).toBe(at === undefined)
    }
  })

  it('with water as it was measured it goes as the machine goes with that water', () => {
    const engine = engineOf('brindlow-d3')
    const { machine, catalogue } = engine
    const pressure = machine.params.find((p) => p.id === 'main.pressure')!
    const weak = pressure.nominal / 8
    const [usual, slow] = [runOf(engine), runOf(engine, 0, { 'main.pressure': weak })].map(
      (run) => run.phases.find((p) => p.id === 'phase:fill')!.spans[0]!,
    )
    const truth = new DrawnMachine(catalogue, [], random(1), 'none')
    truth.values[pressure.index] = weak
    const fill = machine.phases.find((p) => p.id === 'fill')!
    const { from, to } = phaseTimes(machine, truth.run(0))[fill.index]!
    expect(Math.abs(slow!.to - slow!.from - (to - from))).toBeLessThan(0.5)
    expect(to - from).toBeGreaterThan(usual!.to - usual!.from + 2)
  })
})

describe('following a run', () => {
  const run = runOf(engineOf('orrisk-tl60'))

  it('everything noticed in its moment is read as it was expected, and every text reads back as its value', () => {
    const findings = findInRun(run, { marks: allMarked(run), now: run.lasts, over: true })
    expect(findings.length).toBe(run.tests.length)
    for (const f of findings) {
      const shape =
        f.value.type === 'yes' ? ({ type: 'yes-no' } as const) : ({ type: 'number', dimension: 'time' } as const)
      expect(parseReading(f.text, shape)).toEqual({ ok: true, value: f.value })
    }
    const fill = findings.find((f) => f.test === 'fill-cold.lasts')!
    const span = run.phases.find((p) => p.id === 'phase:fill-cold')!.spans[0]!
    expect(fill.value.type === 'value' && fill.value.si).toBeCloseTo(span.to - span.from, 0)
  })

  it('a phase that is late moves all that follows, and by so much alone', () => {
    const [first, second] = run.cues.filter((c) => c.lane.startsWith('phase:'))
    fc.assert(
      fc.property(fc.double({ min: 0, max: 200, noNaN: true }), (shift) => {
        const marks: Mark[] = [first!, second!].map((c, i) => ({
          event: String(i),
          lane: c.lane,
          turn: 'on',
          nth: 0,
          seconds: c.at + i * shift,
          noticed: 'hand',
        }))
        for (const cue of followCues(run, { marks, now: second!.at + shift, over: false }))
          if (cue.at > second!.at) expect(cue.expected).toBeCloseTo(cue.at + shift, 6)
      }),
    )
  })

  it('nothing is late before its window and a hand, everything is after; the next is the earliest open one', () => {
    for (const now of [0, 10, 60, 300, run.lasts]) {
      const cues = followCues(run, { marks: [], now, over: false })
      for (const c of cues) expect(c.state === 'late').toBe(now > c.until)
      const open = cues.map((c) => c.expected)
      expect(nextCue(cues)!.expected).toBe(Math.min(...open))
    }
  })

  it('a phase that another came in the place of never began, as far as the order says', () => {
    const begins = run.cues.filter((c) => c.lane.startsWith('phase:'))
    const lengths = run.tests.filter((t) => t.type === 'length')
    const place = begins.findIndex((c, i) => i > 0 && i < begins.length - 1 && lengths.some((t) => t.lane === c.lane))
    const [before, own, next] = [begins[place - 1]!, begins[place]!, begins[place + 1]!]
    const test = lengths.find((t) => t.lane === own.lane)!
    const at = (cue: typeof own, seconds: number, turn: 'on' | 'not' = 'on'): Mark => {
      return { event: `${cue.lane}${turn}`, lane: cue.lane, turn, nth: 0, seconds, noticed: 'hand' }
    }
    const say = (...marks: Mark[]) => findInRun(run, { marks, now: 900, over: true }).find((f) => f.test === test.test)
    const title = run.phases.find((p) => p.id === next.lane)!.title
    expect(say(at(before, 5), at(next, 90))).toMatchObject({ value: { type: 'never' }, instead: title })
    // Who missed the one before may have missed this one too; who saw it saw it.
    expect(say(at(next, 90))).toBeUndefined()
    expect(say(at(before, 5, 'not'), at(next, 90))).toBeUndefined()
    expect(say(at(before, 5), at(own, 60), at(next, 90))!.value).toEqual({ type: 'value', si: 30 })
    expect(say(at(before, 5), at(own, 60, 'not'), at(next, 90))).toMatchObject({ value: { type: 'never' } })
    expect(say(at(before, 5), at(own, 60, 'not'), at(next, 90))!.instead).toBeUndefined()
  })

  it('what did not come is no, or never; what went on at the end is longer than, or never ended', () => {
    const test = run.tests.find((t) => t.type === 'length')!
    const first = run.cues.find((c) => c.lane === test.lane)!
    const mark = (turn: 'on' | 'not', seconds: number): Mark => ({
      event: turn,
      lane: test.lane,
      turn,
      nth: 0,
      seconds,
      noticed: 'hand',
    })
    const say = (marks: Mark[], now: number) =>
      findInRun(run, { marks, now, over: true }).find((f) => f.test === test.test)?.value
    expect(say([mark('not', first.at)], first.at + 5)).toEqual({ type: 'never' })
    expect(say([mark('on', first.at)], first.at + 3)).toEqual({ type: 'longer-than', si: 3 })
    const longest = test.type === 'length' ? test.longest : 0
    expect(say([mark('on', first.at)], first.at + longest + 60)).toEqual({ type: 'never-ended' })
    expect(say([], first.at + 3)).toBeUndefined()
    const sensed = run.tests.find((t) => t.type === 'sensed')!
    const none: Mark = {
      event: 'x',
      lane: sensed.lane,
      turn: 'not',
      nth: 'nth' in sensed ? sensed.nth : 0,
      seconds: 1,
      noticed: 'hand',
    }
    expect(findInRun(run, { marks: [none], now: 9, over: false }).map((f) => f.value)).toContainEqual({ type: 'no' })
  })

  it('marked phases lie end to end, whatever order they were entered in', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(
          allMarked(run).filter((m) => m.lane.startsWith('phase:')),
          { minLength: 2 },
        ),
        (marks) => {
          const spans = markedPhases(run, { marks, now: run.lasts })
          for (const [i, s] of spans.entries()) expect(s.to).toBe(spans[i + 1]?.from ?? run.lasts)
        },
      ),
    )
  })
})

describe('the clock of a run', () => {
  it.each([
    // Set forward or back by an hour while the page lives: the clock that nobody sets counts.
    [
      { wall: 3700, steady: 100, slept: false },
      { seconds: 100, trouble: 'set-forward' },
    ],
    [
      { wall: -3500, steady: 100, slept: false },
      { seconds: 100, trouble: 'set-back' },
    ],
    // A locked phone whose steady clock stood still: the stamp counts.
    [
      { wall: 700, steady: 100, slept: true },
      { seconds: 700, trouble: undefined },
    ],
    // After a reload and on another device only the stamp is there.
    [
      { wall: 42, steady: undefined, slept: false },
      { seconds: 42, trouble: undefined },
    ],
    [
      { wall: -1, steady: undefined, slept: false },
      { seconds: 0, trouble: undefined },
    ],
    [
      { wall: -600, steady: undefined, slept: false },
      { seconds: undefined, trouble: 'before-start' },
    ],
  ] as const)('%o', (clocks, told) => expect(runTime(clocks)).toEqual(told))
})

describe('a cycle watched after a repair, on machines that the plain simulator runs', () => {
  /** Everything that turns is noted of a program of a machine with these faults; what a good one does and this one does not is noted as missing. */
  function watched(engine: Engine, run: ExpectedRun, activeFaults: readonly ActiveFault[], seed: number) {
    const truth = new DrawnMachine(engine.catalogue, activeFaults, random(seed))
    const seconds = Math.min(1.3 * run.lasts, 3600)
    const atOnce = new Set(run.cues.filter((c) => c.turn === 'on' && c.nth === 0 && c.at < 1).map((c) => c.lane))
    const lanes = run.lanes.map((l) => l.id)
    const turns = watchedTurns(engine.machine, truth.live(), 0, lanes, seconds, atOnce)
    const marks = turns.map((t, k): Mark => ({ event: String(k), ...t, noticed: 'hand' }))
    return { marks, now: seconds, over: true }
  }
  const CALLS = [
    ['orrisk-tl40', 'cold-valve.coil-open'],
    ['tarvost-e7', 'valve.coil-open'],
    ['tarvost-k6', 'valve.does-not-open'],
    ['brindlow-d3', 'fill-valve.coil-open'],
  ] as const

  it.each(oneOfEachFamily())('%s: a good one passes', (id) => {
    const engine = engineOf(id)
    const run = expectedRun(engine.predictor, engine.advise([], 'best', 0), 0)
    const good = judgeRun(run, watched(engine, run, [], 4))
    expect(good.as, JSON.stringify(good.criteria.filter((c) => c.state !== 'passed'))).toBe('passed')
  })
  it.each(CALLS)('%s: good ones pass, and one on which the repair did not do never does', (id, name) => {
    const engine = engineOf(id)
    const { machine } = engine
    const fault = machine.faults.find((f) => f.id === name) ?? machine.faults.find((f) => f.id.endsWith('.coil-open'))!
    const active: ActiveFault = { fault, severity: fault.severity && severityAt(fault.severity, 0.5) }
    const said = new DrawnMachine(engine.catalogue, [active], random(1)).complaints()
    expect(said.length).toBeGreaterThan(0)
    const advice = engine.advise([{ type: 'complaint', complaint: said[0]! }], 'best', 0)
    const run = expectedRun(engine.predictor, advice, 0)
    for (let seed = 1; seed <= 3; seed++) {
      const good = judgeRun(run, watched(engine, run, [], seed))
      expect(good.as, JSON.stringify(good.criteria.filter((c) => c.state !== 'passed'))).toBe('passed')
      expect(judgeRun(run, watched(engine, run, [active], seed)).as).not.toBe('passed')
    }
    // Who notes nothing has proved nothing, and a run that goes on is not through.
    expect(judgeRun(run, { marks: [], now: run.lasts, over: true }).as).toBe('open')
    expect(judgeRun(run, { ...watched(engine, run, [], 1), over: false }).as).toBe('open')
  })
})
