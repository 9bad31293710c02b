import { describe, expect, it } from 'vitest'
import { parse, stringify } from 'yaml'
import { findShipped } from '../../../cli/library'
import { mayBeBridgedIn, permittedBy } from '../../../core/diagnosis/catalogue'
import { Engine } from '../../../core/advice'
import { predictorOf } from '../support/sheets'
import { flatText } from '../support/shipped'

const of = (text: string) => {
  const predictor = predictorOf(text)
  const { catalogue } = predictor
  const { machine } = catalogue
  const part = (id: string) => machine.partIndex.get(id)!
  return {
    may: (id: string) => mayBeBridgedIn(catalogue, part(id)),
    lets: (id: string) => permittedBy(catalogue, part(id)).map((p) => machine.parts[p].id),
    read: (action: string) => new Engine(predictor).read([{ action }]).ok,
  }
}

describe('a jumper is never across protection', () => {
  it('a lid in the loop of two water valves may be bridged, a door that stops heat and pump may not, by whatever it works', () => {
    const washer = of(findShipped('orrisk-tl40')!.text)
    expect(washer.may('lid')).toBe(true)
    expect(washer.lets('lid')).toEqual([])
    expect(washer.read('jumper lid')).toBe(true)
    const dishwasher = of(findShipped('brindlow-d6')!.text)
    expect(dishwasher.lets('door-a')).toEqual(expect.arrayContaining(['heater', 'circulation']))
    expect(dishwasher.may('door-a')).toBe(false)
    expect(dishwasher.read('jumper door-a')).toBe(false)
    // A valve may be fed past its output, a heater or a pump may not.
    expect(['fill-out', 'heat-relay', 'pump-out'].map(dishwasher.may)).toEqual([true, false, false])
    // What went in before there was such a rule comes out all the same.
    expect(dishwasher.read('unjumper door-a')).toBe(true)
  })
  it('through relays and through the control: what ends a compressor is protection', () => {
    const ice = of(findShipped('quenby-c40')!.text)
    expect(ice.lets('bin-stat')).toEqual(expect.arrayContaining(['compressor', 'fan', 'gas-valve']))
    expect(ice.may('rinse-switch')).toBe(false)
    const steamer = of(findShipped('brindlow-s12')!.text)
    expect(steamer.lets('pressure-control')).toContain('heater')
    expect(steamer.may('pressure-control')).toBe(false)
  })
  it('unless the sheet itself has a test that bridges it', () => {
    const { text } = findShipped('ulldale-f6')!
    expect(of(text).lets('spout')).toContain('compressor')
    expect(of(text).may('spout')).toBe(true)
    expect(of(text).may('high-pressure')).toBe(false)
    const other = parse(flatText('ulldale-f6')) as { tests: Record<string, unknown> }
    expect(delete other.tests['bridge-spout']).toBe(true)
    expect(of(stringify(other)).may('spout')).toBe(false)
  })
  it('by how it is wired: a pump behind the lid makes the lid protection', () => {
    const sheet = parse(flatText('orrisk-tl40')) as { wiring: Record<string, string[]> }
    const behind = Object.entries(sheet.wiring).find(([, chain]) => chain.some((x) => x.startsWith('drain-out')))!
    sheet.wiring[behind[0]] = behind[1].map((x, i) => (i ? x : 'lid.2'))
    const moved = of(stringify(sheet))
    expect(moved.lets('lid')).toEqual(['drain-pump'])
    expect(moved.may('lid')).toBe(false)
  })
})
