import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseQuantity, parseReading, formatQuantity, type ReadingShape } from '../../../core/foundation/quantity'

const ohms: ReadingShape = { type: 'number', dimension: 'resistance' }
const volts: ReadingShape = { type: 'number', dimension: 'voltage' }

describe('readings as technicians write them', () => {
  it.each([
    ['2k7', ohms, 2700],
    ['1.2 kΩ', ohms, 1200],
    ['1,2k', ohms, 1200],
    ['0R4', ohms, 0.4],
    ['0.4', ohms, 0.4],
    ['118.6', volts, 118.6],
    ['118,6 V', volts, 118.6],
    ['350 mV AC', volts, 0.35],
    ['-3', volts, -3],
    ['2:30', { type: 'number', dimension: 'time' } as ReadingShape, 150],
    ['3 min', { type: 'number', dimension: 'time' } as ReadingShape, 180],
    ['40 psi', { type: 'number', dimension: 'pressure' } as ReadingShape, 275790.29],
    ['212 °F', { type: 'number', dimension: 'temperature' } as ReadingShape, 100],
  ])('%s', (text, shape, si) => {
    const r = parseReading(text, shape)
    expect(r.ok && r.value.type === 'value' && r.value.si).toBeCloseTo(si, 2)
  })
  it.each(['OL', 'ol', 'O.L', '0L', 'open', '∞'])('%s is an open line', (text) => {
    expect(parseReading(text, ohms)).toEqual({ ok: true, value: { type: 'open' } })
  })
  it.each([
    ['banana', ohms, 'bad-reading'],
    ['', volts, 'bad-reading'],
    ['1.2.3', ohms, 'bad-reading'],
    ['1,180', ohms, 'ambiguous'],
    ['120 V', ohms, 'wrong-dimension'],
    ['-5', ohms, 'bad-reading'],
    ['OL', volts, 'bad-reading'],
    ['1e999', ohms, 'bad-reading'],
    ['maybe', { type: 'yes-no' } as ReadingShape, 'bad-reading'],
  ])('%s is refused and says what would be understood', (text, shape, code) => {
    const r = parseReading(text, shape)
    expect(r.ok).toBe(false)
    if (!r.ok) {
      expect(r.problems[0].code).toBe(code)
      expect(r.problems[0].expected).toBeTruthy()
    }
  })
  it('takes codes with O for 0', () => {
    const r = parseReading('f o1', { type: 'word', words: ['F01', 'LF'] })
    expect(r).toEqual({ ok: true, value: { type: 'word', word: 'F01' } })
  })
  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), (s) => void parseReading(s, ohms)),
      { seed: 3, numRuns: 500 },
    )
  })
})

describe('quantities of sheets', () => {
  it.each([
    ['2.9 kΩ ±9 %', 'resistance', 2900, 261],
    ['33 s ±4 s', 'time', 33, 4],
    ['at least 0.3 bar', 'pressure', 3e4, undefined],
    ['20 °C ±6 °C', 'temperature', 20, 6],
    ['68 °F ±9 °F', 'temperature', 20, 5],
    ['12 L/min', 'flow', 0.0002, undefined],
  ] as const)('%s', (text, dimension, value, halfWidth) => {
    const q = parseQuantity(text, dimension)
    expect(q.ok && q.value.value).toBeCloseTo(value, 9)
    if (halfWidth === undefined) expect(q.ok && q.value.halfWidth).toBeUndefined()
    else expect(q.ok && q.value.halfWidth).toBeCloseTo(halfWidth, 6)
  })
  it('refuses the wrong kind of unit and a missing one', () => {
    for (const text of ['12 V', '12', 'twelve Ω']) expect(parseQuantity(text, 'resistance').ok).toBe(false)
  })
  it('what is said is read back as the same value to three digits', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 9e6, noNaN: true }), (si) => {
        const back = parseReading(formatQuantity(si, 'resistance'), ohms)
        expect(back.ok && back.value.type === 'value' && Math.abs(back.value.si / si - 1)).toBeLessThan(0.06)
      }),
      { seed: 5 },
    )
  })
})
