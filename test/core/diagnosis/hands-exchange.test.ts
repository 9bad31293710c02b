import { describe, expect, it } from 'vitest'
import { createEngine } from '../../../core/advice'
import { DrawnMachine, random } from '../../../core/truth'
import { activeFaultsIn, predictorOf, sheetOf } from '../support/sheets'
import { underOtherNames, shippedPredictor } from '../support/shipped'

describe('a sibling’s leads in the suspect’s place', () => {
  it.each([
    ['orrisk-tl40', 'cold-valve', ['cold-valve.coil-open', 'cold-stop.shut'], []],
    [
      'ulldale-g6',
      'v3',
      ['v3.coil-open', 'v3.exhaust-blocked', 'stop.shut'],
      ['run3.broken', 't3.dead', 'v4.coil-open'],
    ],
    ['tarvost-fl7', 'inlet-a', ['inlet-a.coil-open'], ['main-out.dead', 'inlet-a-plug.off']],
  ])(
    '%s: what is wrong with the %s itself stays, what its own leads lack moves away, whatever the names',
    (id, part, stays, moves) => {
      const [text, of] = underOtherNames(id)
      const predictor = predictorOf(text)
      const { machine, procedures } = predictor.catalogue
      const swapped = procedures.find((p) => p.id === `${of(part)}.swapped`)!
      expect(swapped.workMode).toBe('energised')
      const comes = (fault?: string) => {
        const faults = fault === undefined ? [] : [activeFaultsIn(machine, of(fault))]
        const told = predictor.predict(predictor.hypothesisFor(faults), swapped)
        const shown = new DrawnMachine(predictor.catalogue, faults, random(1), 'none', 0).exact(swapped)
        expect(told.type === 'sense' && told.yes > 0.5, fault).toBe(shown.type === 'yes')
        return shown.type
      }
      expect(comes()).toBe('yes')
      for (const fault of stays) expect(comes(fault), fault).toBe('no')
      for (const fault of moves.filter((f) => machine.faults.some((x) => x.id === of(f))))
        expect(comes(fault), fault).toBe('yes')
      // With the leads back where they belong nothing of it is left.
      const plain = procedures.find((p) => p.id === `${of(part)}.runs`)!
      expect(predictor.predict(predictor.healthy, plain)).toMatchObject({ type: 'sense', truth: true })
    },
  )
})

describe('ends that may be in each other’s place', () => {
  it.each([
    ['orrisk-tl40', 'crossed-hoses', 'cold-hose', 'observe'],
    ['orrisk-tl40', 'crossed-plugs', 'cold-plug', 'isolated'],
    ['ulldale-g6', 'swapped-wires', 'run3', 'isolated'],
  ])('%s: %s are seen at the %s itself, whatever the names', (id, fault, part, workMode) => {
    const [text, of] = underOtherNames(id)
    const predictor = predictorOf(text)
    const { machine, procedures } = predictor.catalogue
    const look = procedures.find((p) => p.id === `${of(part)}.connection`)!
    expect(look.workMode).toBe(workMode)
    const seen = (...names: string[]) => {
      const faults = names.map((name) => activeFaultsIn(machine, of(name)))
      const told = predictor.predict(predictor.hypothesisFor(faults), look)
      const shown = new DrawnMachine(predictor.catalogue, faults, random(1), 'none', 0).exact(look)
      expect(told.type === 'sense' && told.yes > 0.5).toBe(shown.type === 'yes')
      return shown.type
    }
    expect(seen()).toBe('yes')
    expect(seen(fault)).toBe('no')
  })
  it('volts at a valve while its sibling is called, and not itself, show wires in each other’s place; they stand in one column with the sibling’s', () => {
    const predictor = shippedPredictor('ulldale-g6')
    const { machine, procedures, strips } = predictor.catalogue
    const column = strips.find((s) => s.rows.some((row) => row.id === 'v4.volts@hand3'))!
    expect(column.rows.map((row) => row.id)).toEqual(['v3.volts', 'v4.volts@hand3'])
    const volts = (test: string, fault?: string) => {
      const faults = fault === undefined ? [] : [activeFaultsIn(machine, fault)]
      const shown = new DrawnMachine(predictor.catalogue, faults, random(1), 'none', 0)
      const value = shown.exact(procedures.find((p) => p.id === test)!)
      return value.type === 'value' ? value.si : NaN
    }
    const [own, beside] = column.rows.map((row) => row.id)
    expect([volts(own) > 20, volts(beside) < 1]).toEqual([true, true])
    expect([volts(own, 'swapped-wires') < 1, volts(beside, 'swapped-wires') > 20]).toEqual([true, true])
  })
})

describe('a lead put across an input for a test', () => {
  it('is a bypass, on the probe that ends the fill alone: one that permits heat is never bridged', () => {
    const [text, of] = underOtherNames('brindlow-s12')
    const engine = createEngine(sheetOf(text))
    const card = (test: string) => engine.card(engine.advise([], 'best', 0), test, undefined, 0)
    expect(card(`${of('boiler-high-in')}.bridged`)?.jumper).toBe(of('boiler-high-in'))
    expect(card(`${of('boiler-high-in')}.lamp`)?.jumper).toBeUndefined()
    const { jumper, unjumper } = engine.vocabulary.targets
    expect(jumper).toContain(of('boiler-high-in'))
    expect(jumper).not.toContain(of('boiler-low-in'))
    // What went in by an older rule comes out by any.
    expect(unjumper).toEqual(expect.arrayContaining([...jumper!]))
  })
})
