import { warmUp } from '../../../core/diagnosis/predict'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { wideSheet, WIDE_ZONES } from '../../../benchmark/wide-sheet'
import { findShipped } from '../../../cli/library'
import { inferBelief } from '../../../core/diagnosis/belief'
import { advise } from '../../../core/advice'
import { withChanges, dot, sparse } from '../../../core/foundation/linear'
import { makeFaultedMachine } from '../../../core/model/machine'
import { RepairCosts } from '../../../core/diagnosis/plan'
import { phaseTimes, runPlain } from '../../../core/truth'
import { simulate } from '../../../core/simulation/simulate'
import { evidenceOf, freshPredictorOf, machineOf, mini, predictorOf, activeFaultsIn } from '../support/sheets'
import { shippedPredictor } from '../support/shipped'

const WASHER = findShipped('orrisk-tl40')!.text

describe('what is kept, left out or done ahead changes no answer', () => {
  it('a sparse vector is the dense one without its zeros', () => {
    const entry = fc.oneof(fc.constant(0), fc.double({ min: -9, max: 9, noNaN: true }))
    const pair = fc.integer({ min: 1, max: 40 }).chain((n) => {
      const dense = fc.array(entry, { minLength: n, maxLength: n }).map((x) => Float64Array.from(x))
      return fc.tuple(dense, dense)
    })
    fc.assert(
      fc.property(pair, ([a, b]) => {
        const full = a.reduce((sum, x, i) => sum + x * b[i], 0)
        expect(dot(sparse(a), sparse(b))).toBeCloseTo(full, 9)
        const summed = withChanges(sparse(a), a.length, (all) => b.forEach((x, i) => (all[i] += x)))
        expect(summed).toEqual(sparse(a.map((x, i) => x + b[i])))
      }),
    )
  })
  it('readings made ready in the background leave the advice as it is, however far that has come', () => {
    const [cold, half, ready] = [0, 1, 2].map(() => freshPredictorOf(WASHER))
    const work = warmUp(half)
    for (let k = 0; k < 700; k++) work.next()
    for (const _ of warmUp(ready));
    const of = (p: typeof cold) => {
      const a = advise(p, evidenceOf(p, { complaint: 'no-fill' }, { test: 'cold-valve.volts', reading: '61' }))
      return { p: Array.from(a.belief.posterior), next: a.plan.next.map((s) => [s.procedure.id, s.saving, s.minutes]) }
    }
    expect(of(half)).toEqual(of(cold))
    expect(of(ready)).toEqual(of(cold))
  })
  it('a run that ends with its last reading shows there what the whole run shows', () => {
    const p = predictorOf(mini('interlocks'))
    const { machine, runs, procedures } = p.catalogue
    const short = runs.filter((r) => r.script.neededMoments)
    expect(short.length).toBeGreaterThan(0)
    for (const { interventions, script, index } of short) {
      const faulted = makeFaultedMachine(machine, [activeFaultsIn(machine, 'overload.stuck-open')], interventions)
      const [some, all] = [simulate(faulted, script), simulate(faulted, { ...script, neededMoments: undefined })]
      expect(some.end.time).toBeLessThan(all.end.time)
      for (const { moment } of procedures.filter((x) => x.run === index))
        expect(some.snapshots[moment]?.states).toEqual(all.snapshots[moment]?.states)
    }
  })
  it('the plain run in longer steps comes to the same phases, each within a step or two', () => {
    const machine = machineOf(WASHER)
    const faulted = makeFaultedMachine(machine)
    const script = { steps: [{ at: 0, start: 0 }], until: 800, stopsWhenFinal: false, moments: [] }
    const [fine, coarse] = [runPlain(faulted, script), runPlain(faulted, script, 0.1)]
    const lengths = (r: typeof fine) => phaseTimes(machine, r).map(({ from, to }) => to - from)
    const far = lengths(coarse).map((x, i) => Math.abs(x - lengths(fine)[i]))
    expect(far.filter((x) => x > 0.2)).toEqual([])
    expect(far.filter((x) => x >= 0).length).toBeGreaterThanOrEqual(3)
    expect(coarse.complaints).toEqual(fine.complaints)
  })
  it('the sheet that speed is measured on has 100 faults and more than 200 tests', () => {
    const { machine, procedures } = predictorOf(wideSheet(WIDE_ZONES).text).catalogue
    expect(machine.faults.length).toBeGreaterThanOrEqual(100)
    expect(procedures.length).toBeGreaterThan(200)
  })
})

describe('two repairs for one machine', () => {
  const costs = new RepairCosts(Float64Array.of(10, 20, 100), Float64Array.of(0, 30, 30))
  it('both are paid, and what the first leaves is not taken for cured', () => {
    // All of it needs repairs 0 and 1: 10 for the first, which leaves everything, then 20.
    expect(costs.toGo([[0, 1]], [1], 0)).toBeCloseTo(10 + 20, 9)
    // Half needs 0 and 1, half needs 2 alone: 0, then 1 (in vain for the half that needs 2), then 2.
    expect(costs.toGo([[0, 1], [2]], [0.5, 0.5], 0)).toBeCloseTo(10 + 20 + 0.5 * 30 + 0.5 * 100, 9)
  })
  it('a stuck output and a valve that does not close are told apart before either is bought', () => {
    const p = predictorOf(WASHER)
    const a = advise(
      p,
      evidenceOf(
        p,
        { complaint: 'overfills' },
        { test: 'fill-cold.lasts', reading: '54.8 s' },
        { test: 'drain.lasts', reading: 'never' },
        { test: 'service-hot.lasts', reading: '20.9 s' },
      ),
    )
    expect(a.plan.state).toBe('testing')
    expect(['cold-valve.idle-volts', 'cold-valve.passes-off']).toContain(a.plan.next[0].procedure.id)
  })
})

describe('a reading taken twice', () => {
  const p = predictorOf(WASHER)
  const chance = (fault: string, ...readings: object[]) => {
    const belief = inferBelief(
      p,
      {
        complaints: [{ complaint: 0, interventions: [] }],
        repairs: [],
        readings: advise(p, evidenceOf(p, ...readings), 'best', 0).interpreted.case.readings,
      },
      0,
    )
    return belief.hypotheses.reduce(
      (sum, m, i) =>
        sum + (m.activeFaults[0]?.fault.id === fault && m.activeFaults.length === 1 ? belief.posterior[i] : 0),
      0,
    )
  }
  const open = { test: 'cold-valve.ohms', reading: 'OL' }
  it('says more against a slip, but not as much as two readings of two things', () => {
    const without = chance('cold-valve.coil-open')
    const once = chance('cold-valve.coil-open', open)
    const twice = chance('cold-valve.coil-open', open, open)
    expect(once).toBeGreaterThan(without)
    expect(twice).toBeGreaterThan(once)
    // Odds against the rest grow by less than they did at first.
    const odds = (x: number) => x / (1 - x)
    expect(odds(twice) / odds(once)).toBeLessThan(odds(once) / odds(without))
  })
  it('of a value is hardly a second witness of what the value is', () => {
    const volts = { test: 'cold-valve.volts', reading: '61' }
    const of = (...r: object[]) => advise(p, evidenceOf(p, { complaint: 'no-fill' }, ...r), 'best', 0).belief
    const severities = (b: ReturnType<typeof of>) => {
      const own = b.hypotheses.flatMap((m, i) =>
        m.activeFaults[0]?.fault.id === 'cold-plug.corroded' && m.activeFaults[0].severity ? [b.posterior[i]] : [],
      )
      return own.map((v) => v / own.reduce((s, y) => s + y, 0))
    }
    const [none, one, two] = [of(), of(volts), of(volts, volts)].map(severities)
    const moved = (x: number[], y: number[]) => x.reduce((s, v, i) => s + Math.abs(v - y[i]), 0)
    expect(moved(none, one)).toBeGreaterThan(0)
    expect(moved(one, two)).toBeLessThan(0.5 * moved(none, one))
  })
  it('that could not be taken is not asked for again', () => {
    const next = (reading: string) =>
      advise(p, evidenceOf(p, { complaint: 'no-fill' }, { test: 'cold-valve.volts', reading })).plan.next.map(
        (s) => s.procedure.id,
      )
    expect(next('could not')).not.toContain('cold-valve.volts')
  })
  it('by a sense that was mistaken may be asked again, one that fits may not', () => {
    const d3 = shippedPredictor('brindlow-d3')
    const heard = { test: 'circulation.runs', reading: 'yes' }
    const rest = [
      { test: 'wash.lasts', reading: '499 s' },
      { test: 'service-fill.lasts', reading: '61.1 s' },
      { test: 'filter.look', reading: 'no' },
      { test: 'drain-pump.hum', reading: 'yes' },
    ]
    const next = (...r: object[]) =>
      advise(d3, evidenceOf(d3, { complaint: 'dirty' }, ...r)).plan.next.map((s) => s.procedure.id)
    expect(next(heard, ...rest)).toContain('circulation.runs')
    expect(next({ ...heard, reading: 'no' })).not.toContain('circulation.runs')
  })
})
