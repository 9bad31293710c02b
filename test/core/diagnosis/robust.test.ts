import { describe, expect, it } from 'vitest'
import { advise, doubtedReadings, doubtThresholds } from '../../../core/advice'
import { STANDARD } from '../../../core/diagnosis/calibration'
import { varianceOf } from '../../../core/diagnosis/predict'
import { DrawnMachine, random } from '../../../core/truth'
import { activeFaultsIn, evidenceOf, predictorOf } from '../support/sheets'
import { underOtherNames, shippedPredictor } from '../support/shipped'

describe('tenths of a volt', () => {
  it.each([
    ['orrisk-tl40', 'no-fill', 'cold-out.to-return'],
    ['orrisk-tl40', 'no-fill', 'cold-valve.volts'],
    ['ulldale-g6', 'zone4-dry', 'v4.volts'],
  ])('%s, "%s": 0 V, 0.2 V and 0.5 V at %s lead to the same suspect', (id, complaint, test) => {
    const predictor = shippedPredictor(id)
    const [none, little, half] = ['0', '0.2', '0.5'].map((reading) => {
      const a = advise(predictor, evidenceOf(predictor, { complaint }, { test, reading }))
      expect(a.belief.doubts[0].grossError).toBeLessThan(0.2)
      return a.suspects[0]
    })
    for (const other of [little, half]) expect(other.faults.map((f) => f.id)).toEqual(none.faults.map((f) => f.id))
    expect(half.p).toBeGreaterThan(none.p / 2)
  })
  it('stand on a lead that hangs on nothing, volts of them, and on none that a coil hangs on; a meter of low resistance pulls them down', () => {
    const predictor = shippedPredictor('brindlow-d6')
    const { machine, procedures } = predictor.catalogue
    const volts = procedures.find((p) => p.id === 'fill-valve.volts')!
    const spread = (fault: string, meter?: string) => {
      const h = predictor.hypothesisFor([activeFaultsIn(machine, fault)])
      const p = predictor.predict(h, volts, meter)
      if (p.type !== 'value') throw new Error('a value')
      return { mean: p.mean, sd: Math.sqrt(varianceOf(p)) }
    }
    // The coil open and the overfill switch open: its lead hangs in the air.
    const broken = predictor.hypothesisFor([
      activeFaultsIn(machine, 'fill-valve.coil-open'),
      activeFaultsIn(machine, 'overfill.stuck-open'),
    ])
    const at = (meter?: string) => {
      const p = predictor.predict(broken, volts, meter)
      return p.type === 'value' ? Math.sqrt(varianceOf(p)) : NaN
    }
    expect(at()).toBeGreaterThan(2)
    expect(at('volts-lowz')).toBeLessThan(0.6)
    expect(spread('overfill.stuck-open').sd).toBeLessThan(0.6)
    // The plain machine catches them too, by a rule of its own.
    const faults = ['fill-valve.coil-open', 'overfill.stuck-open'].map((f) => activeFaultsIn(machine, f))
    const read = (active: typeof faults) =>
      [1, 2, 3, 4, 5, 6, 7, 8].map((seed) => {
        const v = new DrawnMachine(predictor.catalogue, active, random(seed), undefined, 0).read(volts)
        return v.type === 'value' ? v.si : NaN
      })
    expect(Math.max(...read(faults))).toBeGreaterThan(2)
    expect(Math.max(...read([faults[1]]))).toBeLessThan(2)
  })
})

describe('a current', () => {
  it.each([
    ['tarvost-fl7', 'heater'],
    ['brindlow-s12', 'heater'],
  ])('%s: is judged by the volts that were read at the %s', (id, load) => {
    const [text, of] = underOtherNames(id)
    const predictor = predictorOf(text)
    const { procedures, machine } = predictor.catalogue
    const usual = (test: string) => {
      const p = predictor.predict(
        predictor.healthy,
        procedures.find((x) => x.id === test)!,
      )
      if (p.type !== 'value') throw new Error('a value')
      return p.mean
    }
    const [volts, amps] = [`${of(load)}.volts`, `${of(load)}.amps`]
    const complaint = machine.complaints[0].id
    const said = (low: number, ...supply: { test: string; reading: string }[]) =>
      advise(
        predictor,
        evidenceOf(predictor, { complaint }, ...supply, { test: amps, reading: (usual(amps) * low).toFixed(3) }),
        'best',
        0,
      ).verdicts.at(-1)!
    const read = (share: number) => ({ test: volts, reading: (usual(volts) * share).toFixed(1) })
    // A tenth less of both is a low supply and a good element; of the current alone it is the element.
    expect(said(0.9, read(0.9)).distance).toBeLessThan(said(0.9).distance / 2)
    expect(said(0.9, read(0.9)).finding).toBe('good')
    expect(said(0.9, read(1)).distance).toBeGreaterThan(said(0.9).distance)
    expect(said(0.9, read(1)).finding).toBe('low')
    // Nothing at the element is no supply to judge by.
    expect(said(0, { test: volts, reading: '0' }).finding).toBe('low')
  })
})

describe('a reading to take again', () => {
  it('is one in doubt; where nothing fits and none is, the most doubted one, as far as it is doubted at all', () => {
    const a = advise(shippedPredictor('orrisk-tl40'), [])
    const { belief } = STANDARD
    const told = (state: typeof a.plan.state, ...chances: number[]) => {
      const doubts = chances.map((grossError) => ({ grossError, unitSlip: undefined }))
      const advice = { ...a, belief: { ...a.belief, doubts }, plan: { ...a.plan, state } }
      return { again: doubtedReadings(advice, belief), thresholds: doubtThresholds(advice, belief) }
    }
    expect(told('testing', 0.1, 0.3, 0.2).again).toEqual([])
    expect(told('testing', 0.1, 0.6, 0.2).again).toEqual([1])
    expect(told('unexplained', 0.1, 0.3, 0.2)).toEqual({
      again: [1],
      thresholds: [belief.doubtAbove, 0.3, belief.doubtAbove],
    })
    expect(told('unexplained', 0.6, 0.3, 0.7).again).toEqual([0, 2])
    expect(told('unexplained', 0.01, 0.02).again).toEqual([])
  })
})

describe('a repair after which it still fails', () => {
  it('has not held or was not needed: what was repaired is looked at again, and what nobody would complain of is no cause', () => {
    const [text, of] = underOtherNames('ulldale-f6')
    const predictor = predictorOf(text)
    const seen = { test: of('fins.look'), reading: 'yes' }
    const repaired = { action: `repair ${of('clean-condenser')}` }
    const share = (is: (ids: string[]) => boolean, ...then: object[]) =>
      advise(predictor, evidenceOf(predictor, { complaint: of('no-ice') }, seen, repaired, ...then))
        .suspects.filter((s) => is(s.faults.map((f) => f.id)))
        .reduce((sum, s) => sum + s.p, 0)
    const dirtyAlone = (ids: string[]) => ids.length === 1 && ids[0] === of('fins.dirty')
    const clean = { test: of('fins.look'), reading: 'no' }
    expect(share(dirtyAlone)).toBeGreaterThan(0.05)
    expect(share(dirtyAlone, clean)).toBeLessThan(share(dirtyAlone) / 20)
    // A dead lamp beside the condenser that is clean now makes no ice fail.
    const lamp = (ids: string[]) => ids.includes(of('power-lamp.dead'))
    expect(share(lamp, clean)).toBeLessThan(0.02)
  })
})
