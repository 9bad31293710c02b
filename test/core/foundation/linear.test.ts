import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  backwardSolve,
  choleskyInPlace,
  dot,
  factorInPlace,
  forwardSolve,
  solveInPlace,
  sparse,
  withChanges,
} from '../../../core/foundation/linear'
import { normal, random } from '../../../core/truth'

const sizes = fc.record({ n: fc.integer({ min: 1, max: 14 }), seed: fc.nat() })
/** Links between drawn pairs, as conductances or admittances are: what a nodal matrix is made of. */
function stamps(n: number, seed: number) {
  const next = random(seed)
  const [re, im] = [new Float64Array(n * n), new Float64Array(n * n)]
  const put = (into: Float64Array, i: number, j: number, g: number) => {
    into[i * n + i]! += g
    if (j < 0) return
    into[j * n + j]! += g
    into[i * n + j]! -= g
    into[j * n + i]! -= g
  }
  for (let i = 0; i < n; i++) put(re, i, -1, 10 ** (4 * next() - 3))
  for (let k = 0; k < 2 * n; k++) {
    const [i, j] = [Math.floor(next() * n), Math.floor(next() * n)]
    if (i === j) continue
    put(re, i, j, 10 ** (6 * next() - 4))
    put(im, i, j, -(10 ** (4 * next() - 4)))
  }
  return { re, im, next }
}

describe('factorisations, against what they are to solve', () => {
  it('complex symmetric: A·x comes back to b', () => {
    fc.assert(
      fc.property(sizes, ({ n, seed }) => {
        const { re, im, next } = stamps(n, seed)
        const [br, bi] = [Float64Array.from({ length: n }, () => normal(next)), new Float64Array(n)]
        const factor = { n, re: re.slice(), im: im.slice() }
        expect(factorInPlace(factor)).toBe(-1)
        const [xr, xi] = [br.slice(), bi.slice()]
        solveInPlace(factor, xr, xi)
        for (let i = 0; i < n; i++) {
          let [sr, si, scale] = [0, 0, Math.abs(br[i]!)]
          for (let j = 0; j < n; j++) {
            const [ar, ai] = [re[i * n + j]!, im[i * n + j]!]
            sr += ar * xr[j]! - ai * xi[j]!
            si += ar * xi[j]! + ai * xr[j]!
            scale += Math.hypot(ar, ai) * Math.hypot(xr[j]!, xi[j]!)
          }
          expect(Math.hypot(sr - br[i]!, si - bi[i]!)).toBeLessThan(1e-12 * scale)
        }
      }),
    )
  })
  it('names the row at which a floating network cannot be solved', () => {
    // Two nodes tied to each other and to nothing else.
    const re = Float64Array.from([1, -1, -1, 1])
    expect(factorInPlace({ n: 2, re, im: new Float64Array(4) })).toBe(1)
    expect(factorInPlace({ n: 2, re: new Float64Array(4), im: new Float64Array(4) })).toBe(0)
  })
  it('real positive definite: L·Lᵀ·x comes back to b, and what is not is refused', () => {
    fc.assert(
      fc.property(sizes, ({ n, seed }) => {
        const { re, next } = stamps(n, seed)
        const b = Float64Array.from({ length: n }, () => normal(next))
        const [l, x] = [re.slice(), b.slice()]
        expect(choleskyInPlace(l, n)).toBe(true)
        forwardSolve(l, n, x)
        backwardSolve(l, n, x)
        for (let i = 0; i < n; i++) {
          let [sum, scale] = [0, Math.abs(b[i]!)]
          for (let j = 0; j < n; j++) {
            sum += re[i * n + j]! * x[j]!
            scale += Math.abs(re[i * n + j]! * x[j]!)
          }
          expect(Math.abs(sum - b[i]!)).toBeLessThan(1e-12 * scale)
        }
        const wrong = re.slice()
        wrong[n * n - 1] = -1
        expect(choleskyInPlace(wrong, n)).toBe(false)
      }),
    )
  })
})

describe('sparse vectors', () => {
  const dense = fc
    .array(fc.oneof(fc.constant(0), fc.double({ min: -1e3, max: 1e3, noNaN: true })), { minLength: 20, maxLength: 20 })
    .map((list) => Float64Array.from(list))
  it('are dense ones without their zeros', () => {
    fc.assert(
      fc.property(dense, dense, fc.nat({ max: 19 }), (a, b, at) => {
        const plain = a.reduce((sum, x, i) => sum + x * b[i]!, 0)
        expect(dot(sparse(a), sparse(b))).toBeCloseTo(plain, 6)
        expect(sparse(a).values.every((x) => x !== 0)).toBe(true)
        const before = sparse(a)
        const kept = { indices: before.indices.slice(), values: before.values.slice() }
        const changed = withChanges(before, 20, (full) => (full[at]! += 7))
        expect(before).toEqual(kept)
        const wanted = a.slice()
        wanted[at]! += 7
        expect(changed).toEqual(sparse(wanted))
      }),
    )
  })
})

describe('matrices', () => {
  it('factors and solves, real and complex, and refuses what is singular', () => {
    const a = Float64Array.from([4, 0, 2, 5])
    expect(choleskyInPlace(a, 2)).toBe(true)
    const b = Float64Array.from([10, 13])
    forwardSolve(a, 2, b)
    backwardSolve(a, 2, b)
    expect([...b]).toEqual([1.5, 2])
    expect(choleskyInPlace(Float64Array.from([1, 0, 1, 1]), 2)).toBe(false)
    const f = { n: 2, re: Float64Array.from([2, 0, -1, 2]), im: Float64Array.from([1, 0, 0, 0]) }
    expect(factorInPlace(f)).toBe(-1)
    const [xr, xi] = [Float64Array.from([1, 0]), Float64Array.from([0, 0])]
    solveInPlace(f, xr, xi)
    // (2 + i)x − y = 1, −x + 2y = 0 → x = 1 / (1.5 + i)
    expect([xr[0], xi[0]]).toEqual([expect.closeTo(1.5 / 3.25, 12), expect.closeTo(-1 / 3.25, 12)])
    expect(factorInPlace({ n: 1, re: Float64Array.from([0]), im: Float64Array.from([0]) })).toBe(0)
  })
})
