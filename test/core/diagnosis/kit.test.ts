import { describe, expect, it } from 'vitest'
import { advise, Engine } from '../../../core/advice'
import type { Evidence } from '../../../core/evidence'
import { orThrow } from '../../../core/foundation/result'
import { findMeter, METERS } from '../../../core/simulation/instrument'
import { DrawnMachine, random } from '../../../core/truth'
import { TOOLS } from '../../../core/words'
import { careful } from '../support/play'
import { activeFaultsIn, evidenceOf } from '../support/sheets'
import { shippedPredictor } from '../support/shipped'

/** What stands at the machine or in every van. */
const ALWAYS = ['bucket', 'stopwatch', 'water-meter', 'display', 'display-temperature', 'display-volume']
const without = (...tools: string[]) => TOOLS.filter((t) => tools.includes(t.id)).flatMap((t) => [...t.instruments])
/** Nothing but a two-pole tester. */
const TWO_POLE = { lacking: without(...TOOLS.map((t) => t.id).filter((id) => id !== 'low-z')) }
const predictor = shippedPredictor('orrisk-tl40')
const { machine, procedures } = predictor.catalogue

describe('advice with what is at hand', () => {
  it('every instrument belongs to one thing that is carried, or is always there', () => {
    const carried = TOOLS.flatMap((t) => t.instruments)
    expect([...carried, ...ALWAYS, 'display-frequency'].sort()).toEqual(METERS.map((m) => m.id).sort())
  })
  it('with everything at hand it is the same advice; with less, nothing is asked that cannot be taken', () => {
    for (const { id } of machine.sheet.complaints) {
      const evidence = evidenceOf(predictor, { complaint: id })
      const all = advise(predictor, evidence)
      const named = (a: typeof all) => a.plan.next.map((s) => [s.procedure.id, s.procedure.meter, s.saving, s.minutes])
      expect(named(advise(predictor, evidence, 'best', undefined, [], { lacking: ['counter'] }))).toEqual(named(all))
      const poor = advise(predictor, evidence, 'best', undefined, [], TWO_POLE)
      for (const s of poor.plan.next)
        for (const { meter } of s.strip?.rows ?? [s.procedure]) expect(TWO_POLE.lacking).not.toContain(meter)
      // What is known does not hang on what is carried.
      expect(poor.belief).toEqual(all.belief)
    }
  })
  it.each([
    ['no-fill', 'cold-valve.coil-open', 'new-valve'],
    ['dead', 'fuse.blown', 'new-fuse'],
  ])('%s with %s is found with a two-pole tester and one’s senses', (complaint, fault, remedy) => {
    const truth = new DrawnMachine(predictor.catalogue, [activeFaultsIn(machine, fault)], random(11), undefined, 0)
    const read = careful(truth)
    const evidence: Evidence[] = evidenceOf(predictor, { complaint })
    for (;;) {
      const { plan } = advise(predictor, evidence, 'best', undefined, [], TWO_POLE)
      if (plan.stop) {
        const [best] = plan.remedies
        expect(machine.repairs[best.repair].id).toBe(remedy)
        expect(evidence.some((e) => e.type === 'reading' && e.instrument === 'volts-lowz')).toBe(true)
        return
      }
      expect(evidence.length).toBeLessThan(25)
      const [{ procedure, strip }] = plan.next
      for (const row of strip?.rows ?? [procedure]) {
        const usual = procedures.find((p) => p.id === row.id)!.meter
        const instrument = row.meter === usual ? undefined : row.meter
        evidence.push({ type: 'reading', test: row.id, value: read(row), instrument })
      }
    }
  })
  it('says what misleads: a beeper on a winding of hundreds of ohms, an instrument that is not there', () => {
    const engine = new Engine(predictor)
    const card = (meter: string, kit: { lacking: string[]; beepsBelow?: number }) => {
      const advice = advise(predictor, evidenceOf(predictor, { complaint: 'no-fill' }), 'best', 0, [], kit)
      return engine.card(advice, 'cold-valve.ohms', meter, 0)!
    }
    expect(card('beeper', { lacking: [] }).meterWarning).toMatch(/sounds below 20 Ω .*\(8\d\d Ω\).*proves nothing/)
    expect(card('beeper', { lacking: [], beepsBelow: 1200 }).meterWarning).toBeUndefined()
    expect(card('ohms', { lacking: [] }).meterWarning).toBeUndefined()
    const bare = card('ohms', { lacking: ['ohms'] })
    expect(bare.meterWarning).toContain('borrow one')
    expect(bare.meters.map((m) => [m.id, m.atHand])).toEqual([
      ['ohms', false],
      ['beeper', true],
    ])
  })
  it('a reading speaks as clearly as its instrument is exact', () => {
    const usual = findMeter('ohms')!.gain * 2
    const written = (accuracy?: string | number) => [
      { complaint: 'no-fill' },
      { test: 'cold-valve.ohms', reading: '905', ...(accuracy === undefined ? {} : { accuracy }) },
    ]
    const engine = new Engine(predictor)
    const told = (accuracy?: string | number) => {
      const evidence = orThrow(engine.read(written(accuracy)))
      const { belief, verdicts } = advise(predictor, evidence)
      const valve = belief.hypotheses.reduce(
        (sum, { activeFaults }, i) =>
          sum +
          (activeFaults.some(({ fault }) => machine.sheet.faults[fault.index]!.part === 'cold-valve')
            ? belief.posterior[i]!
            : 0),
        0,
      )
      return { valve, distance: verdicts[0]!.distance }
    }
    // As exact as usual is as if nothing had been said.
    expect(told(usual).valve).toBeCloseTo(told().valve, 12)
    const [exact, coarse, rough] = [told('0.5 %'), told('5 %'), told('20 %')]
    // The less exact, the nearer to what a good coil may show.
    expect(exact.distance).toBeGreaterThan(coarse.distance)
    expect(coarse.distance).toBeGreaterThan(rough.distance)
    expect(Math.abs(rough.valve - told().valve)).toBeGreaterThan(1e-6)
    for (const odd of ['40 %', '0', 'good', -0.1, '5 V']) {
      const read = engine.read(written(odd))
      expect(read.ok ? [] : read.problems[0]!.place.path, String(odd)).toEqual([1, 'accuracy'])
    }
  })
})
