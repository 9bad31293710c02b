import { describe, expect, it } from 'vitest'
import { DrawnMachine, random } from '../../../core/truth'
import { activeFaultsIn, predictorOf } from '../support/sheets'
import { underEveryName } from '../support/shipped'

describe('the supply while it runs', () => {
  it.each([
    ['orrisk-tl40', 'cold-main', 'cold-screen.blocked', 'cold-main.weak'],
    ['ulldale-g6', 'main', 'strainer.blocked', 'main.weak'],
  ])(
    '%s: a clog holds the pressure up and the flow down, a weak supply lets both fall, whatever the names',
    (id, main, clog, weak) => {
      for (const [text, of] of underEveryName(id)) {
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
        if (!hasWeak) continue
        expect(read('flowing', weak)).toBeLessThan(read('flowing') / 2)
        expect(read('flow', weak)).toBeLessThan(read('flow') / 2)
      }
    },
  )
})
