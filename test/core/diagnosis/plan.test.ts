import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import {
  type Belief,
  inferBelief,
  predictiveGiven,
  likelihood,
  unconditioned,
  withValue,
} from '../../../core/diagnosis/belief'
import { advise, createEngine, Engine } from '../../../core/advice'
import {
  backwardSolve,
  choleskyInPlace,
  factorInPlace,
  forwardSolve,
  solveInPlace,
  sparse,
} from '../../../core/foundation/linear'
import { STANDARD } from '../../../core/diagnosis/calibration'
import type { TestStrategy } from '../../../core/evidence'
import { RepairCosts, lookAhead, plan, type DecisionTable } from '../../../core/diagnosis/plan'
import { achieved, cutMachine, optimum } from '../../../benchmark/optimum'
import { random } from '../../../core/truth'
import { evidenceOf, mini, predictorOf, sheetOf } from '../support/sheets'
import { underEveryName } from '../support/shipped'

const washer = createEngine(sheetOf(findShipped('orrisk-tl40')!.text)).predictor
const at = (order: TestStrategy) => advise(washer, evidenceOf(washer, { complaint: 'no-fill' }), order)

describe('plan', () => {
  it('outcomes of every offered test are probabilities, and each posterior sums to one', () => {
    for (const s of at('best').plan.next) {
      const sum = s.outcomes.reduce((t, o) => t + o.p, 0)
      expect(sum).toBeGreaterThan(0.7)
      expect(sum).toBeLessThanOrEqual(1 + 1e-9)
      for (const o of s.outcomes.filter((x) => x.p > 0)) expect(o.after.reduce((t, x) => t + x, 0)).toBeCloseTo(1, 9)
    }
  })
  it('a named order puts its work first and changes no chance', () => {
    const [best, dead, water, live] = (['best', 'dead-first', 'water-first', 'live-first'] as const).map(at)
    for (const a of [dead, water, live])
      expect(Array.from(a.belief.posterior)).toEqual(Array.from(best.belief.posterior))
    const modes = (a: typeof best) => a.plan.next.map((s) => s.procedure.workMode).filter((s) => s !== 'observe')
    expect(modes(dead)[0]).toBe('isolated')
    expect(modes(water)[0]).toBe('water')
    expect(modes(live)[0]).toBe('energised')
    expect(dead.plan.next).toHaveLength(best.plan.next.length)
    // Without a meter; at what the control switches; by what the machine shows of itself.
    const { kinds } = washer.catalogue.machine
    const first = (order: TestStrategy) => at(order).plan.next[0].procedure
    expect(first('by-hand-first').meter).toBeUndefined()
    expect(first('own-sequence').workMode).toBe('observe')
    const { measurement } = first('control-first')
    expect('part' in measurement ? kinds[measurement.part].line : 'power').toBe('power')
    for (const order of ['by-hand-first', 'control-first', 'own-sequence'] as const)
      expect(at(order).plan.next).toHaveLength(best.plan.next.length)
  })
  it('the expected cost of two causes is what Smith’s rule gives by hand', () => {
    const p = predictorOf(mini('interlocks'))
    const faults = p.catalogue.machine.faults.map((f) => f.id)
    const [bin, drive] = [1 + faults.indexOf('bin.stuck-open'), 1 + faults.indexOf('drive.winding-open')]
    const base = inferBelief(p, { complaints: [{ complaint: 0, interventions: [] }], readings: [], repairs: [] }, 0)
    const belief: Belief = {
      ...base,
      posterior: base.posterior.map((_, i) =>
        p.hypotheses[i].activeFaults[0]?.missProbability !== undefined
          ? 0
          : p.hypotheses[i].activeFaults[0]?.fault.id === 'bin.stuck-open'
            ? 0.6
            : p.hypotheses[i].activeFaults[0]?.fault.id === 'drive.winding-open'
              ? 0.4
              : 0,
      ),
      unknownFault: 0,
      truncatedMass: 0,
    }
    expect(bin).not.toBe(drive)
    const { costNow, remedies } = plan(p, belief, {
      power: 'on',
      open: [],
      loosened: [],
      running: undefined,
      asFound: false,
    })
    // New bin switch: 15 min + 20 + 8 to prove + 3 % of 60; new drive: 60 + 180 + 8 + 1.8. First the likely cheap one,
    // which is a part in vain for the other.
    expect(costNow).toBeCloseTo(44.8 + 0.4 * 30 + 0.4 * 249.8, 6)
    expect(remedies.map((r) => p.catalogue.machine.sheet.repairs[r.repair].id)).toEqual(['new-bin-switch', 'new-drive'])
  })
  it('with the cause certain no test is offered and the plan stops', () => {
    const p = predictorOf(mini('interlocks'))
    const base = inferBelief(p, { complaints: [{ complaint: 0, interventions: [] }], readings: [], repairs: [] }, 0)
    const one = {
      ...base,
      posterior: base.posterior.map((_, i) => (i === 3 ? 1 : 0)),
      unknownFault: 0,
      truncatedMass: 0,
    }
    expect(plan(p, one, { power: 'on', open: [], loosened: [], running: undefined, asFound: false })).toMatchObject({
      next: [],
      stop: true,
    })
  })
  it('live readings need the panel opened dead, the power back and the program run to their moment', () => {
    const { accessPaths, procedures } = washer.catalogue
    const goal = procedures.find((x) => x.id === 'hot-valve.volts')!
    const way = accessPaths.from({ power: 'on', open: [], loosened: [], running: undefined, asFound: false }, goal)
    expect(way.steps.map((m) => m.type)).toEqual(['isolate', 'open', 'loosen', 'restore', 'start', 'wait'])
    expect(way.minutes).toBeCloseTo(
      way.steps.reduce((s, m) => s + m.minutes, goal.minutes),
      9,
    )
    const past = accessPaths.from(
      { power: 'on', open: ['top'], loosened: [], running: { program: 0, seconds: 3000 }, asFound: false },
      goal,
    )
    expect(past.steps.map((m) => m.type)).toEqual(['isolate', 'loosen', 'restore', 'start', 'wait'])
  })
})

describe('the end of testing', () => {
  it('does not come while two short tests together would tell which repair is needed, whatever the names', () => {
    for (const [text, of] of underEveryName('ulldale-f6')) {
      const p = predictorOf(text)
      const { plan: then } = advise(
        p,
        evidenceOf(
          p,
          { complaint: of('no-water') },
          ...['power-lamp.lit', 'main.look', 'tap.look'].map((test) => ({ test: of(test), reading: 'yes' })),
          { test: of('res-valve.ohms'), reading: '34.3' },
          { test: of('flush-timer.across'), reading: '0.37 V' },
        ),
      )
      expect(then.state).toBe('testing')
      const floats = ['res-low.worked', 'res-high.worked', 'res-low.free', 'res-high.free'].map(of)
      expect(floats).toContain(then.next[0].procedure.id)
      expect(then.next[0].saving).toBeGreaterThan(then.next[0].minutes)
    }
  })
  it('what is needed whatever else there is stands before what is cheap to try', () => {
    const p = predictorOf(findShipped('ulldale-f6')!.text)
    const { machine } = p.catalogue
    const fault = (id: string) => machine.faults.find((f) => f.id === id)!
    const [drive, latch] = [fault('auger.winding-open'), fault('res-latch.coil-open')]
    const single = (f: typeof drive) => p.hypotheses.find((h) => h.activeFaults[0]?.fault === f)!
    const base = inferBelief(p, { complaints: [{ complaint: 0, interventions: [] }], readings: [], repairs: [] }, 0)
    const both = p.pair(single(drive), single(latch), 1)
    const belief: Belief = {
      ...base,
      hypotheses: [single(drive), both],
      posterior: Float64Array.from([0.6, 0.4]),
      conditionings: [unconditioned, unconditioned],
      unknownFault: 0,
      truncatedMass: 0,
    }
    const { remedies } = plan(p, belief, { power: 'on', open: [], loosened: [], running: undefined, asFound: false })
    expect(remedies.map((r) => r.repair)).toEqual([drive.repair, latch.repair])
  })
})

describe('looking ahead', () => {
  const dear = (...repair: number[]) => new RepairCosts(Float64Array.from(repair), new Float64Array(repair.length))
  it('a part fitted in vain costs more than its work, and something else is worth finding out', () => {
    const costs = new RepairCosts(Float64Array.from([40, 20]), Float64Array.from([30, 0]))
    // 0.6/70 is less than 0.4/20: the cheap one first, then the other for those who still need it.
    expect(costs.toGo([[0], [1]], [0.6, 0.4], 0)).toBeCloseTo(20 + 0.6 * 40, 9)
    // One listed cause at 0.9, something else at 0.1: a test that tells them apart saves the part in vain.
    const table: DecisionTable = {
      costs,
      requiredRepairs: [[0], []],
      unknownFault: 1,
      outcomes: [certain(0, 1)],
      minutes: [Float64Array.from([1]), Float64Array.from([1])],
    }
    const [found] = lookAhead(table, Float64Array.from([0.9, 0.1]))
    expect(found.saving).toBeCloseTo(0.1 * (40 + 30), 9)
  })
  const certain = (...shows: number[]) =>
    [...new Set(shows)].map((k) => Float64Array.from(shows, (s) => (s === k ? 1 : 0)))
  it('a test saves what it spares by itself, and one that tells nothing is not tried', () => {
    // Two causes of 100 min each; test 0 shows the same under both.
    const table: DecisionTable = {
      costs: dear(100, 100),
      requiredRepairs: [[0], [1]],
      unknownFault: -1,
      outcomes: [certain(0, 0), certain(0, 1)],
      minutes: [Float64Array.from([5, 60]), Float64Array.from([5, 5]), Float64Array.from([5, 60])],
    }
    // Without a test 100 + ½·100 min, with it 100.
    expect(lookAhead(table, Float64Array.from([0.5, 0.5]))).toEqual([{ test: 1, saving: 50 }])
  })
  it('counts in what follows: a test that opens the way saves more than its own outcomes', () => {
    // Test 0 parts {0,1} from {2,3}; only then test 1 is cheap enough to part 0 from 1.
    const table: DecisionTable = {
      costs: dear(50, 50, 1, 1),
      requiredRepairs: [[0], [1], [2], [3]],
      unknownFault: -1,
      outcomes: [certain(0, 0, 1, 1), certain(0, 1, 2, 2)],
      minutes: [Float64Array.from([2, 30]), Float64Array.from([2, 3]), Float64Array.from([2, 3])],
    }
    const p = Float64Array.from([0.25, 0.25, 0.25, 0.25])
    const [best] = lookAhead(table, p)
    // After test 0: half the time 3 min more and then 50; half the time 1 and 1.5 on average.
    expect(best.test).toBe(0)
    const now = 1 + 0.75 + 50 * 0.5 + 50 * 0.25
    expect(best.saving).toBeCloseTo(now - (0.5 * (3 + 50) + 0.5 * 1.5), 9)
  })
  it('two tests that tell only together what to do are worth taking, though neither saves anything by itself', () => {
    // Three repairs of equal odds and cost, in vain alike: each test clears one, and what is done first stays the same.
    const table: DecisionTable = {
      costs: dear(50, 50, 50),
      requiredRepairs: [[0], [1], [2]],
      unknownFault: -1,
      outcomes: [certain(0, 1, 0), certain(0, 0, 1)],
      minutes: [Float64Array.from([30, 30]), Float64Array.from([30, 2]), Float64Array.from([2, 30])],
    }
    const p = Float64Array.from([0.6, 0.2, 0.2])
    const together = lookAhead(table, p, STANDARD.plan, [0, 1])
    expect(together).toHaveLength(2)
    // 50 + 0.4·50 + 0.2·50 without; after both 50, and the second is taken only where it may still tell.
    for (const { saving } of together) expect(saving).toBeGreaterThan(20)
  })
  it('comes within a few parts in a hundred of the best plan there is, and never below it', () => {
    const next = random(7)
    for (let i = 0; i < 6; i++) {
      const cut = cutMachine(washer, next)
      const ratio = achieved(cut) / optimum(cut)
      expect(ratio).toBeGreaterThan(1 - 1e-9)
      expect(ratio).toBeLessThan(1.15)
    }
  })
})

describe('likelihood by hand', () => {
  const value = (mean: number, s: number, sd: number) => ({
    type: 'value' as const,
    mean,
    sensitivity: sparse(Float64Array.from([s])),
    reproducibility: sd,
    repeatability: sd,
  })
  it('an earlier reading of a shared parameter moves and narrows the next', () => {
    const c = {
      used: [
        { sensitivity: sparse(Float64Array.from([4])), residual: 5, reproducibility: 3, repeatability: 3, key: 'a' },
      ],
      factor: Float64Array.from([5]),
    }
    // k = 2·4 = 8, C = 25: mean 10 + 8/25·5, variance 4 + 1 − 64/25
    expect(predictiveGiven(value(10, 2, 1), c)).toEqual({ mean: 11.6, variance: expect.closeTo(2.44, 12) as number })
    expect(predictiveGiven(value(10, 2, 1), unconditioned)).toEqual({ mean: 10, variance: 5 })
  })
  it('the same thing read again shares what is reproducible, and scatters by the rest', () => {
    const again = { ...value(10, 0, 5), repeatability: 3 }
    const first = withValue(unconditioned, again, 15, 'a')
    // 5 with 3 of it new each time leaves 4 that is the same: k = 16, C = 25, mean 10 + 16/25·5, variance 25 − 16²/25.
    expect(predictiveGiven(again, first, 'a')).toEqual({
      mean: expect.closeTo(13.2, 12) as number,
      variance: expect.closeTo(14.76, 12) as number,
    })
    expect(predictiveGiven(again, first, 'b')).toEqual({ mean: 10, variance: 25 })
  })
  it('a far-off value is taken for a slip, an agreeing one explains', () => {
    const near = likelihood(value(120, 3, 1), { type: 'value', si: 119 }, 'voltage', unconditioned, STANDARD.belief)
    const far = likelihood(value(120, 3, 1), { type: 'value', si: 12 }, 'voltage', unconditioned, STANDARD.belief)
    expect(near.explains).toBe(true)
    expect(far.explains).toBe(false)
    expect(near.likelihood / far.likelihood).toBeGreaterThan(1000)
    expect(
      likelihood({ type: 'open' }, { type: 'open' }, 'resistance', unconditioned, STANDARD.belief).likelihood,
    ).toBeGreaterThan(0.9)
    expect(
      likelihood({ type: 'never' }, { type: 'could-not' }, undefined, unconditioned, STANDARD.belief).likelihood,
    ).toBe(1)
  })
})

describe('matrices', () => {
  it('factors and solves, real and complex, and refuses what is singular', () => {
    const a = Float64Array.from([4, 0, 2, 5])
    expect(choleskyInPlace(a, 2)).toBe(true)
    const b = Float64Array.from([10, 13])
    forwardSolve(a, 2, b)
    backwardSolve(a, 2, b)
    expect([...b]).toEqual([1.5, 2])
    expect(choleskyInPlace(Float64Array.from([1, 0, 1, 1]), 2)).toBe(false)
    const f = { n: 2, re: Float64Array.from([2, 0, -1, 2]), im: Float64Array.from([1, 0, 0, 0]) }
    expect(factorInPlace(f)).toBe(-1)
    const [xr, xi] = [Float64Array.from([1, 0]), Float64Array.from([0, 0])]
    solveInPlace(f, xr, xi)
    // (2 + i)x − y = 1, −x + 2y = 0 → x = 1 / (1.5 + i)
    expect([xr[0], xi[0]]).toEqual([expect.closeTo(1.5 / 3.25, 12), expect.closeTo(-1 / 3.25, 12)])
    expect(factorInPlace({ n: 1, re: Float64Array.from([0]), im: Float64Array.from([0]) })).toBe(0)
  })
})

describe('evidence that a test destroys', () => {
  it('with a program running, a dead test names the live ones that it makes dearer; with the plug out, none', () => {
    const on = [{ complaint: 'no-fill' }, { action: 'open top' }, { test: 'cold-valve.volts', reading: '119' }]
    const card = (...items: object[]) =>
      new Engine(washer).card(advise(washer, evidenceOf(washer, ...items)), 'cold-valve.ohms')!
    const running = card(...on)
    expect(running.destroys).toMatch(/switching off/)
    expect(running.losing.length).toBeGreaterThan(0)
    for (const l of running.losing) expect(l.after - l.now).toBeGreaterThanOrEqual(1)
    const off = card(...on, { action: 'isolate' })
    expect(off.destroys).toBeUndefined()
    expect(off.losing.map((l) => l.id)).not.toContain(running.losing[0].id)
  })
})
