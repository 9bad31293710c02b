/**
 * Solves A·x = b by Gaussian elimination with row pivoting, real, dense, row-major; `a` and `b` are overwritten, `b` receives x. O(n³).
 *
 * @param a n×n, any regular matrix
 * @returns false when no pivot is left (the matrix is singular)
 */
export function solveDenseInPlace(a: Float64Array, n: number, b: Float64Array): boolean {
  for (let k = 0; k < n; k++) {
    let pivot = k
    for (let i = k + 1; i < n; i++) if (Math.abs(a[i * n + k]) > Math.abs(a[pivot * n + k])) pivot = i
    if (!(Math.abs(a[pivot * n + k]) > 0)) return false
    if (pivot !== k) {
      for (let j = k; j < n; j++) [a[k * n + j], a[pivot * n + j]] = [a[pivot * n + j], a[k * n + j]]
      ;[b[k], b[pivot]] = [b[pivot], b[k]]
    }
    for (let i = k + 1; i < n; i++) {
      const f = a[i * n + k] / a[k * n + k]
      if (f === 0) continue
      for (let j = k + 1; j < n; j++) a[i * n + j] -= f * a[k * n + j]
      b[i] -= f * b[k]
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let j = i + 1; j < n; j++) b[i] -= a[i * n + j] * b[j]
    b[i] /= a[i * n + i]
  }
  return true
}
