import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fits, search } from '../../../core/search'

const list = [
  { words: ['Orrisk TL-40', 'top-load washer', 'E5'] },
  { words: ['Ulldale F9', 'front-load washer', 'three lamps'] },
  { words: ['Brindlow S12', 'steamer', 'LOW'] },
]
const word = fc.stringMatching(/^[a-z]{5,10}$/)

describe('finding by any word', () => {
  it('forgives one letter wrong, missing or too many, capitals, and hyphens', () => {
    fc.assert(
      fc.property(
        word,
        fc.nat(),
        fc.constantFrom('wrong', 'missing', 'more'),
        fc.stringMatching(/^[a-z]$/),
        (w, n, how, c) => {
          const at = 1 + (n % (w.length - 1))
          const typed = {
            wrong: w.slice(0, at) + c + w.slice(at + 1),
            missing: w.slice(0, at) + w.slice(at + 1),
            more: w.slice(0, at) + c + w.slice(at),
          }[how]
          expect(fits({ words: [w] }, typed)).toBeGreaterThan(0)
          expect(fits({ words: [w] }, w.toUpperCase())).toBeGreaterThanOrEqual(fits({ words: [w] }, typed))
          expect(fits({ words: [`${w.slice(0, at)}-${w.slice(at)}`] }, w)).toBeGreaterThan(0)
        },
      ),
    )
  })
  it('wants every word, and the order of words makes no difference', () => {
    fc.assert(
      fc.property(fc.array(word, { minLength: 2, maxLength: 4 }), (words) => {
        const found = fits({ words }, words.join(' '))
        expect(found).toBeGreaterThan(1)
        expect(fits({ words }, words.toReversed().join(' '))).toBe(found)
        expect(fits({ words }, `${words[0]} qqqqqqqqqqqqqq`)).toBe(0)
      }),
    )
  })
  it('best first; all in the order given when nothing is asked', () => {
    expect(search(list, '')).toEqual(list)
    expect(search(list, '  ')).toEqual(list)
    expect(search(list, 'washer f9')[0]).toBe(list[1])
    expect(search(list, 'tl4o')).toEqual([list[0]])
    expect(search(list, 'washer')).toEqual([list[0], list[1]])
    expect(search(list, 'toaster')).toEqual([])
  })
})
