import { describe, expect, it } from 'vitest'
import { findShipped, shippedIds } from '../../../cli/library'
import { createEngine } from '../../../core/advice'
import { orThrow } from '../../../core/foundation/result'
import { readSheet } from '../../../core/model/sheet'
import { findMeter } from '../../../core/simulation/instrument'
import { MEASUREMENTS } from '../../../core/simulation/measurements'
import { describeCautions, describeTiming } from '../../../core/words'

const engines = shippedIds()
  .map((id) => {
    const { text, file } = findShipped(id)!
    return orThrow(readSheet(text, file, findShipped))
  })
  .filter((sheet) => sheet.model)
  .map((sheet) => createEngine(sheet))

/** What no sentence may have in it: a value that was not there, a name of the code, a sentence put together wrong. */
const ODD = /undefined|NaN|null|\[object|Infinity|@return| {2}|^\s|\s$|\s[.,;:]|\(\)|\.\.$/

describe('every sentence of every test of every machine', () => {
  const seen = new Set<string>()
  it.each(engines.map((e) => [e.machine.sheet.id, e] as const))('%s', (_, engine) => {
    const { machine, catalogue } = engine
    // Ids that are no word of a title, and so stand in no sentence but by mistake.
    const spoken = machine.parts.map((p) => p.title).join(' ')
    const dashed = machine.parts.map((p) => p.id).filter((id) => id.includes('-') && !spoken.includes(id))
    const titles = new Map<string, string[]>()
    for (const p of catalogue.procedures) {
      seen.add(p.measurement.type)
      const instruments = [p.meter, ...p.alternativeMeters]
      const title = engine.titleOf(p)
      const when = describeTiming(machine, p.timing)
      const sentences = [
        title,
        when,
        ...instruments.map((meter) => engine.howTo(p, meter)),
        ...describeCautions(machine, p),
      ]
      for (const sentence of sentences) {
        expect(sentence, p.id).not.toMatch(ODD)
        expect(sentence.length, p.id).toBeGreaterThan(2)
        for (const id of dashed) expect(` ${sentence} `, p.id).not.toContain(` ${id} `)
      }
      expect(title[0], p.id).toBe(title[0]!.toUpperCase())
      for (const meter of instruments) if (meter !== undefined) expect(findMeter(meter), p.id).toBeDefined()
      titles.set(`${title} | ${when}`, [...(titles.get(`${title} | ${when}`) ?? []), p.id])
    }
    // Two tests of one name at one moment could not be told apart in a list.
    expect([...titles.values()].filter((ids) => ids.length > 1)).toEqual([])
  })
  it('has gone through every type of measurement but those that no sheet places', () => {
    const own = Object.keys(MEASUREMENTS).filter((type) => !seen.has(type))
    expect(own).toEqual(['between'])
  })
})
