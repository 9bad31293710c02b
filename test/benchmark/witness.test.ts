import { describe, expect, it } from 'vitest'
import { compare, kept, SAME } from '../../benchmark/witness'

/** All of them: `npm run witness`. */
const HERE = ['orrisk-tl40', 'brindlow-s12', 'ulldale-f9']

describe('witness of the engine', () => {
  it.each(HERE)('%s says of kept evidence what it said before, to 1e-12', (id) => {
    const calls = kept()[id]
    expect(calls.reduce((n, c) => n + c.said.length, 0)).toBeGreaterThan(4)
    const { worst, changed } = compare(id, calls)
    expect(changed).toEqual([])
    expect(worst).toBeLessThanOrEqual(SAME)
  })
})
