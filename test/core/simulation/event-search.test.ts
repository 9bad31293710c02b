import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bisectEvent, TIME_TOLERANCE } from '../../../core/simulation/simulate/event-search'

const seconds = (min: number, max: number) => fc.double({ min, max, noNaN: true, minExcluded: true })

describe('the search for an event within a step', () => {
  it('ends just past the first crossing of several, with the run standing there', () => {
    fc.assert(
      fc.property(seconds(0, 600), fc.array(seconds(0, 1), { minLength: 1, maxLength: 4 }), (duration, shares) => {
        let at = 1
        let moves = 0
        const checks = shares.map((share) => () => at >= share)
        const found = bisectEvent(checks, duration, (share) => {
          at = share
          moves++
        })
        const first = Math.min(...shares)
        expect(found).toBeGreaterThanOrEqual(first)
        expect((found - first) * duration).toBeLessThanOrEqual(TIME_TOLERANCE * (1 + 1e-9))
        // At the end itself the caller puts the run back.
        if (found < 1) expect(at).toBe(found)
        else expect(at).toBeGreaterThanOrEqual(1 - TIME_TOLERANCE / duration - 1e-12)
        expect(moves).toBeLessThanOrEqual(2 + Math.max(0, Math.ceil(Math.log2(duration / TIME_TOLERANCE))))
      }),
    )
  })
  it('does not move where the step is no longer than what is told apart', () => {
    let moved = false
    expect(bisectEvent([() => true], TIME_TOLERANCE, () => (moved = true))).toBe(1)
    expect(moved).toBe(false)
  })
})
