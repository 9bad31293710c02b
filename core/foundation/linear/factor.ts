/**
 * Complex symmetric factorisation A = L·D·Lᵀ without pivoting, dense, skipping structural zeros.
 *
 * Nodal matrices of passive networks have a positive definite real part, for which elimination without
 * pivoting is stable (Higham, Accuracy and Stability of Numerical Algorithms, ch. 10: accretive matrices).
 */
export interface Factor {
  n: number
  re: Float64Array
  im: Float64Array
}

/**
 * Factors in place; only the lower triangle is used. Cost n³/3 complex operations, far less on chains.
 *
 * @returns the row whose pivot vanished, or -1 when the factorisation is complete
 */
export function factorInPlace({ n, re, im }: Factor): number {
  for (let k = 0; k < n; k++) {
    const kk = k * n + k
    const dr = re[kk]
    const di = im[kk]
    const mag = dr * dr + di * di
    if (!(mag > 1e-40)) return k
    const ir = dr / mag
    const ii = -di / mag
    for (let i = k + 1; i < n; i++) {
      const ik = i * n + k
      const ar = re[ik]
      const ai = im[ik]
      if (ar === 0 && ai === 0) continue
      const lr = ar * ir - ai * ii
      const li = ar * ii + ai * ir
      for (let j = k + 1; j <= i; j++) {
        const jk = j * n + k
        const br = re[jk]
        const bi = im[jk]
        if (br === 0 && bi === 0) continue
        const ij = i * n + j
        re[ij] -= lr * br - li * bi
        im[ij] -= lr * bi + li * br
      }
    }
    // The column keeps L·D until every row has used it; scaled to L here.
    for (let i = k + 1; i < n; i++) {
      const ik = i * n + k
      const ar = re[ik]
      const ai = im[ik]
      if (ar === 0 && ai === 0) continue
      re[ik] = ar * ir - ai * ii
      im[ik] = ar * ii + ai * ir
    }
  }
  return -1
}

/** Solves A·x = b in place for one right-hand side. Cost n² complex operations. */
export function solveInPlace({ n, re, im }: Factor, xr: Float64Array, xi: Float64Array): void {
  for (let i = 0; i < n; i++) {
    let sr = xr[i]
    let si = xi[i]
    const row = i * n
    for (let j = 0; j < i; j++) {
      const lr = re[row + j]
      const li = im[row + j]
      if (lr === 0 && li === 0) continue
      sr -= lr * xr[j] - li * xi[j]
      si -= lr * xi[j] + li * xr[j]
    }
    xr[i] = sr
    xi[i] = si
  }
  for (let i = 0; i < n; i++) {
    const dr = re[i * n + i]
    const di = im[i * n + i]
    const mag = dr * dr + di * di
    const sr = xr[i]
    const si = xi[i]
    xr[i] = (sr * dr + si * di) / mag
    xi[i] = (si * dr - sr * di) / mag
  }
  for (let i = n - 1; i >= 0; i--) {
    const sr = xr[i]
    const si = xi[i]
    if (sr === 0 && si === 0) continue
    const row = i * n
    for (let j = 0; j < i; j++) {
      const lr = re[row + j]
      const li = im[row + j]
      if (lr === 0 && li === 0) continue
      xr[j] -= lr * sr - li * si
      xi[j] -= lr * si + li * sr
    }
  }
}
