import { describe, expect, it } from 'vitest'
import { type Belief, inferBelief, unconditioned } from '../../../core/diagnosis/belief'
import { advise, Engine } from '../../../core/advice'
import type { TestStrategy } from '../../../core/evidence'
import { plan } from '../../../core/diagnosis/plan'
import { evidenceOf, mini, predictorOf } from '../support/sheets'
import { underOtherNames, shippedPredictor } from '../support/shipped'

const washer = shippedPredictor('orrisk-tl40')
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
    const [text, of] = underOtherNames('ulldale-f6')
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
  })
  it('what is needed whatever else there is stands before what is cheap to try', () => {
    const p = shippedPredictor('ulldale-f6')
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
