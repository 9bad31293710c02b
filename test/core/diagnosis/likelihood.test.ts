import { describe, expect, it } from 'vitest'
import { predictiveGiven, likelihood, unconditioned, withValue } from '../../../core/diagnosis/belief'
import { sparse } from '../../../core/foundation/linear'
import { STANDARD } from '../../../core/diagnosis/calibration'

describe('likelihood by hand', () => {
  const value = (mean: number, s: number, sd: number) => ({
    type: 'value' as const,
    mean,
    sensitivity: sparse(Float64Array.from([s])),
    reproducibility: sd,
    repeatability: sd,
  })
  it('an earlier reading of a shared parameter moves and narrows the next', () => {
    const c = {
      used: [
        { sensitivity: sparse(Float64Array.from([4])), residual: 5, reproducibility: 3, repeatability: 3, key: 'a' },
      ],
      factor: Float64Array.from([5]),
    }
    // k = 2·4 = 8, C = 25: mean 10 + 8/25·5, variance 4 + 1 − 64/25
    expect(predictiveGiven(value(10, 2, 1), c)).toEqual({ mean: 11.6, variance: expect.closeTo(2.44, 12) as number })
    expect(predictiveGiven(value(10, 2, 1), unconditioned)).toEqual({ mean: 10, variance: 5 })
  })
  it('the same thing read again shares what is reproducible, and scatters by the rest', () => {
    const again = { ...value(10, 0, 5), repeatability: 3 }
    const first = withValue(unconditioned, again, 15, 'a')
    // 5 with 3 of it new each time leaves 4 that is the same: k = 16, C = 25, mean 10 + 16/25·5, variance 25 − 16²/25.
    expect(predictiveGiven(again, first, 'a')).toEqual({
      mean: expect.closeTo(13.2, 12) as number,
      variance: expect.closeTo(14.76, 12) as number,
    })
    expect(predictiveGiven(again, first, 'b')).toEqual({ mean: 10, variance: 25 })
  })
  it('a far-off value is taken for a slip, an agreeing one explains', () => {
    const near = likelihood(value(120, 3, 1), { type: 'value', si: 119 }, 'voltage', unconditioned, STANDARD.belief)
    const far = likelihood(value(120, 3, 1), { type: 'value', si: 12 }, 'voltage', unconditioned, STANDARD.belief)
    expect(near.explains).toBe(true)
    expect(far.explains).toBe(false)
    expect(near.likelihood / far.likelihood).toBeGreaterThan(1000)
    expect(
      likelihood({ type: 'open' }, { type: 'open' }, 'resistance', unconditioned, STANDARD.belief).likelihood,
    ).toBeGreaterThan(0.9)
    expect(
      likelihood({ type: 'never' }, { type: 'could-not' }, undefined, unconditioned, STANDARD.belief).likelihood,
    ).toBe(1)
  })
})
