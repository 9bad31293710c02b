import { describe, expect, it } from 'vitest'
import { connectionsOf, Engine } from '../../../core/advice'
import { flatText, underOtherNames, shippedPredictor } from '../support/shipped'
import { edit, evidenceOf, predictorOf } from '../support/sheets'

describe('what comes off a machine', () => {
  it('has its twins, its wires and what it goes to, whatever the names', () => {
    const [text, of] = underOtherNames('orrisk-tl40')
    const all = connectionsOf(predictorOf(text).catalogue)
    const cold = all.find((c) => c.part === of('cold-valve'))!
    expect(cold).toMatchObject({ title: 'cold valve', type: 'electric', colours: ['yellow', 'white'] })
    expect(cold.joins).toEqual(['cold coil plug'])
    expect(cold.twins).toEqual(['hot valve'])
    expect(all.find((c) => c.part === of('cold-hose'))).toMatchObject({ type: 'water', twins: ['hot hose'] })
    expect(all.find((c) => c.part === of('drain-pump'))!.twins).toEqual([])
    // A place where a fault may be is nothing that hands take off.
    expect(all.map((c) => c.title).join()).not.toContain('insulation')
  })
  it('three plugs of one body are twins of each other', () => {
    const all = connectionsOf(shippedPredictor('tarvost-fl7').catalogue)
    const coils = all.filter((c) => c.part.startsWith('inlet-') && c.type === 'electric' && c.twins.length)
    expect(coils.map((c) => c.twins.length)).toEqual([2, 2, 2])
    expect(coils.map((c) => c.colours[0])).toEqual(['brown', 'violet', 'pink'])
  })
  it('one line of the sheet changes what is said at the wire', () => {
    const said = (text: string) => {
      const engine = new Engine(predictorOf(text))
      const advice = engine.advise(evidenceOf(engine.predictor, { complaint: 'no-fill' }), 'best', 0)
      return engine.card(advice, 'cold-valve.ohms', undefined, 0)!.steps.join('. ')
    }
    const text = flatText('orrisk-tl40')
    expect(said(text)).toContain('Mark the leads of the cold valve (yellow, white) and take them off')
    expect(said(edit(text, 'cold-valve.a: yellow', 'cold-valve.a: green'))).toContain('(green, white)')
  })
})
