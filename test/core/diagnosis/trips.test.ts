import { describe, expect, it } from 'vitest'
import type { Intervention } from '../../../core/model/machine'
import type { Prediction, Predictor } from '../../../core/diagnosis/predict'
import { DrawnMachine, random } from '../../../core/truth'
import { activeFaultsIn, predictorOf } from '../support/sheets'
import { underOtherNames, shippedPredictor } from '../support/shipped'

/** What a test gives under a fault, and what a machine that has it shows. */
function ask(
  predictor: Predictor,
  test: string,
  fault?: string,
  severity?: number,
  hands: Intervention[] = [],
  beside: string[] = [],
) {
  const { machine, procedures } = predictor.catalogue
  const procedure = procedures.find((p) => p.id === test)!
  const faults = [
    ...(fault === undefined ? [] : [activeFaultsIn(machine, fault, severity)]),
    ...beside.map((id) => activeFaultsIn(machine, id)),
  ]
  const told = predictor.predict(predictor.hypothesisFor(faults), procedure, procedure.meter, hands)
  const shown = new DrawnMachine(predictor.catalogue, faults, random(1), 'none', 0).exact(procedure)
  return { told, shown }
}
const yes = (p: Prediction) => p.type === 'sense' && p.yes > 0.5

describe('what a run has tripped or blown', () => {
  it.each([
    ['ulldale-g6', 'v3.coil-shorted', 0.1, 'case-fuse.ohms', 'open'],
    ['ulldale-f9', 'auger.seized', undefined, 'overload.look', 'yes'],
  ] as const)(
    '%s: %s has done it before anybody comes, and it is found so, whatever the names',
    (id, fault, severity, test, kind) => {
      const [text, of] = underOtherNames(id)
      const predictor = predictorOf(text)
      const found = ask(predictor, of(test), of(fault), severity)
      expect(found.shown.type).toBe(kind)
      if (kind === 'open') expect(found.told.type).toBe('open')
      else expect(yes(found.told)).toBe(true)
      expect(ask(predictor, of(test)).shown.type).not.toBe(kind)
      // With its cause put right it is made whole with it: where something else is still wrong, the next run trips nothing.
      const { machine } = predictor.catalogue
      const { repair } = machine.faults.find((f) => f.id === of(fault))!
      const whole = JSON.stringify(ask(predictor, of(test)).told)
      const beside = machine.faults.find(
        (f) => f.repair !== repair && !f.severity && JSON.stringify(ask(predictor, of(test), f.id).told) === whole,
      )!
      const mended = (hands: Intervention[], others: string[]) =>
        JSON.stringify(ask(predictor, of(test), of(fault), severity, hands, others).told)
      expect(mended([{ repair }], [beside.id])).toBe(whole)
      // Where nothing else is, and it still fails, the repair has not held.
      expect(mended([{ repair }], [])).toBe(JSON.stringify(found.told))
    },
  )
  it('a fuse that a shorted coil has blown leaves every zone dead on the visit, though two had run for the customer', () => {
    const predictor = shippedPredictor('ulldale-g6')
    const { told, shown } = ask(predictor, 'v1.volts', 'v3.coil-shorted', 0.1)
    expect(told.type === 'value' ? told.mean : told).toBeLessThan(1)
    expect(shown.type === 'value' ? shown.si : shown).toBeLessThan(1)
    const { machine, customersRun } = predictor.catalogue
    const seen = new DrawnMachine(
      predictor.catalogue,
      [activeFaultsIn(machine, 'v3.coil-shorted', 0.1)],
      random(1),
      'none',
      0,
    )
    expect(seen.complaints()).toContain('stopped')
    expect(customersRun).toBe(0)
  })
})

describe('current to earth', () => {
  const predictor = shippedPredictor('tarvost-fl7')
  it('trips the breaker where the leak passes its threshold, when its load is fed, and the insulation says which', () => {
    // 230 V over the leak and half an ohm of earth: 24 mA at 9.58 kΩ.
    const { machine } = predictor.catalogue
    const trips = machine.complaints.find((c) => c.id === 'trips')!.index
    const says = (ohms: number) =>
      predictor.showsComplaint(predictor.hypothesisFor([activeFaultsIn(machine, 'heater-earth.weak', ohms)]), trips)
    expect(says(9_000)).toBe(true)
    expect(says(10_500)).toBe(false)
    const part = (test: string, fault?: string) =>
      ask(predictor, test, fault, fault === undefined ? undefined : 2000).shown.type
    expect(part('heater-earth.insulation')).toBe('yes')
    expect(part('heater-earth.insulation', 'heater-earth.weak')).toBe('no')
    expect(part('pump-earth.insulation', 'heater-earth.weak')).toBe('yes')
    expect(yes(ask(predictor, 'heater-earth.insulation', 'heater-earth.weak', 2000).told)).toBe(false)
  })
})

describe('at the control', () => {
  const predictor = shippedPredictor('ulldale-g6')
  const { machine } = predictor.catalogue
  const value = (id: string) => machine.values[machine.params.find((p) => p.id === id)!.index]
  const loop = (zone: number, fault?: string, severity?: number) => {
    const { told, shown } = ask(predictor, `t${zone}.loop`, fault, severity)
    const ohms = told.type === 'value' ? told.mean : told.type
    const real = shown.type === 'value' ? shown.si : shown.type
    if (typeof ohms === 'number') expect(real).toBeCloseTo(ohms, 1)
    else expect(real).toBe(ohms)
    return ohms
  }
  it('a column of ohms tells its pattern: one open, one near zero, two halved, all open', () => {
    const copper = 1 + 0.00393 * (value('ambient') - 20)
    const common = value('rain.ohms') + value('common-a.ohms')
    const zone1 = value('run1.ohms') + value('v1.ohms') * copper + common
    const zone2 = value('run2.ohms') + value('v2.ohms') * copper
    expect(loop(1)).toBeCloseTo(zone1, 1)
    expect(loop(1, 'v1.coil-open')).toBe('open')
    expect(loop(2, 'v1.coil-open')).toBeCloseTo(zone2 + common, 1)
    expect(loop(1, 'v1.coil-shorted', 0.1)).toBeLessThan(0.3 * zone1)
    const [a, b] = [zone1 - common, zone2]
    expect(loop(1, 'both-on-1')).toBeCloseTo((a * b) / (a + b) + common, 1)
    expect(loop(2, 'both-on-1')).toBe('open')
    for (const zone of [1, 2, 3, 4, 5, 6]) expect(loop(zone, 'common-a.broken')).toBe('open')
    for (const zone of [1, 2]) expect(loop(zone, 'common-b.broken')).toBeLessThan(40)
    for (const zone of [3, 4, 5, 6]) expect(loop(zone, 'common-b.broken')).toBe('open')
  })
  it('a coil draws its inrush while its plunger is out and its holding current when it has pulled', () => {
    const procedure = predictor.catalogue.procedures.find((p) => p.id === 'v1.amps')!
    const jammed = predictor.unlistedHypotheses.find((h) => h.activeFaults[0].fault.id === 'v1.plunger-stuck')!
    const [holding, inrush] = [predictor.healthy, jammed].map((h) => {
      const told = predictor.predict(h, procedure)
      return told.type === 'value' ? told.mean : NaN
    })
    expect(holding).toBeGreaterThan(0.2)
    expect(holding).toBeLessThan(0.25)
    expect(inrush).toBeGreaterThan(0.35)
    expect(inrush).toBeLessThan(0.45)
  })
  it('a motor that stands draws what its resistance and a sixth of its inductance leave', () => {
    const flake = shippedPredictor('ulldale-f9')
    const of = (id: string) =>
      flake.catalogue.machine.values[flake.catalogue.machine.params.find((p) => p.id === id)!.index]
    const [ohms, henries, stalls] = ['ohms', 'henries', 'stalls'].map((p) => of(`fan.${p}`))
    const { told } = ask(flake, 'fan.amps', 'fan.seized')
    const standing = of('mains.volts') / Math.hypot(ohms, (2 * Math.PI * 50 * henries) / stalls)
    expect(told.type === 'value' ? told.mean / standing : NaN).toBeCloseTo(1, 2)
  })
})
