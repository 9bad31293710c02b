import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { csvOf, withoutGuard } from '../../../core/foundation/csv'

const FORMULA = /^[=+\-@\t\r]/
const cells = fc.oneof(
  fc.string({ unit: 'grapheme', minLength: 1 }),
  fc.constantFrom('=1+2', '-5', '+49', '@x', 'a;b', 'a,b', 'say "x"', 'two\r\nlines', ' x '),
)
const rows = fc
  .integer({ min: 2, max: 5 })
  .chain((n) => fc.array(fc.array(cells, { minLength: n, maxLength: n }), { minLength: 1, maxLength: 6 }))

describe('rows as a file', () => {
  it('are what an independent parser reads back, and nothing in it is taken for a formula', () => {
    fc.assert(
      fc.property(rows, (given) => {
        // A guard that somebody typed is none of ours.
        fc.pre(given.flat().every((c) => !/^'[=+\-@\t\r]/.test(c)))
        const { data, errors } = Papa.parse<string[]>(csvOf(given), { delimiter: ',', newline: '\r\n' })
        expect(errors).toEqual([])
        expect(data.at(-1)).toEqual([''])
        const read = data.slice(0, -1)
        expect(read.flat().filter((c) => FORMULA.test(c))).toEqual([])
        expect(read.map((r) => r.map(withoutGuard))).toEqual(given)
      }),
    )
  })
})
