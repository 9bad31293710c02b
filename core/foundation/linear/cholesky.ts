/**
 * Cholesky factorisation of a symmetric positive definite matrix, row-major, in place (lower triangle).
 *
 * @param a n×n, only the lower triangle is read; receives L
 * @returns false when a pivot is not positive (the matrix is not positive definite)
 */
export function choleskyInPlace(a: Float64Array, n: number): boolean {
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let s = a[i * n + j]
      for (let k = 0; k < j; k++) s -= a[i * n + k] * a[j * n + k]
      if (i === j) {
        if (!(s > 0)) return false
        a[i * n + i] = Math.sqrt(s)
      } else a[i * n + j] = s / a[j * n + j]
    }
  return true
}

/** Solves L·y = b in place for a factor made by `choleskyInPlace`; b is n long. O(n²). */
export function forwardSolve(l: Float64Array, n: number, b: Float64Array): void {
  for (let i = 0; i < n; i++) {
    let s = b[i]
    for (let k = 0; k < i; k++) s -= l[i * n + k] * b[k]
    b[i] = s / l[i * n + i]
  }
}

/** Solves Lᵀ·x = y in place for a factor made by `choleskyInPlace`; y is n long. O(n²). */
export function backwardSolve(l: Float64Array, n: number, b: Float64Array): void {
  for (let i = n - 1; i >= 0; i--) {
    let s = b[i]
    for (let k = i + 1; k < n; k++) s -= l[k * n + i] * b[k]
    b[i] = s / l[i * n + i]
  }
}
