import { describe, expect, it } from 'vitest'
import { DrawnMachine, random } from '../../../core/truth'
import { activeFaultsIn, predictorOf } from '../support/sheets'
import { underOtherNames } from '../support/shipped'

describe('the supply while it runs', () => {
  it.each([
    ['orrisk-tl40', 'cold-main', 'cold-screen.blocked', 'cold-main.weak'],
    ['ulldale-g6', 'main', 'strainer.blocked', 'main.weak'],
  ])(
    '%s: a clog holds the pressure up and the flow down, a weak supply lets both fall, whatever the names',
    (id, main, clog, weak) => {
      const [text, of] = underOtherNames(id)
      const predictor = predictorOf(text)
      const { machine, procedures } = predictor.catalogue
      const read = (what: 'flowing' | 'flow', fault?: string) => {
        const procedure = procedures.find((p) => p.id === `${of(main)}.${what}`)!
        const faults = fault === undefined ? [] : [activeFaultsIn(machine, of(fault))]
        const told = predictor.predict(predictor.hypothesisFor(faults), procedure)
        const shown = new DrawnMachine(predictor.catalogue, faults, random(1), 'none', 0).exact(procedure)
        if (told.type !== 'value' || shown.type !== 'value') throw new Error('values')
        // A second solver, written apart.
        expect(Math.abs(told.mean - shown.si)).toBeLessThan(1e-6 * Math.max(shown.si, 1e-5))
        return shown.si
      }
      const hasWeak = machine.faults.some((f) => f.id === of(weak))
      expect(read('flowing', clog)).toBeGreaterThan(read('flowing'))
      expect(read('flow', clog)).toBeLessThan(read('flow') / 2)
      if (!hasWeak) return
      expect(read('flowing', weak)).toBeLessThan(read('flowing') / 2)
      expect(read('flow', weak)).toBeLessThan(read('flow') / 2)
    },
  )
})

describe('a contactor', () => {
  it.each([
    ['quenby-c40', 'contactor'],
    ['ulldale-f6', 'cool-relay'],
    ['brindlow-s12', 'contactor'],
  ])(
    'of %s draws several times its holding current while it does not pull in, and buzzes, whatever the names',
    (id, relay) => {
      const [text, of] = underOtherNames(id)
      const predictor = predictorOf(text)
      const { machine, procedures } = predictor.catalogue
      const read = (what: string, ...jammed: string[]) => {
        const procedure = procedures.find((p) => p.id === `${of(relay)}.${what}`)!
        const faults = jammed.map((fault) => activeFaultsIn(machine, of(fault)))
        const told = predictor.predict(predictor.hypothesisFor(faults), procedure)
        const shown = new DrawnMachine(predictor.catalogue, faults, random(1), 'none', 0).exact(procedure)
        if (told.type === 'value' && shown.type === 'value') expect(told.mean).toBeCloseTo(shown.si, 6)
        return shown
      }
      const amps = (...jammed: string[]) => {
        const shown = read('coil-amps', ...jammed)
        return shown.type === 'value' ? shown.si : NaN
      }
      expect(amps(`${relay}.jammed`) / amps()).toBeGreaterThan(3)
      expect(amps(`${relay}.jammed`) / amps()).toBeLessThan(10)
      expect([read('chatter').type, read('chatter', `${relay}.jammed`).type]).toEqual(['no', 'yes'])
    },
  )
})
