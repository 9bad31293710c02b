/** A vector by the entries that are not zero. Not to be changed once made. */
export interface SparseVector {
  /** Their places, ascending. */
  indices: Uint16Array
  values: Float64Array
}

/** The entries of a dense vector (at most 65,536 long) that are beyond `least` in size. @param least zero or more */
export function sparse(dense: Float64Array, least = 0): SparseVector {
  let n = 0
  for (let i = 0; i < dense.length; i++) if (Math.abs(dense[i]) > least) n++
  const out = { indices: new Uint16Array(n), values: new Float64Array(n) }
  for (let i = 0, k = 0; i < dense.length; i++) {
    if (!(Math.abs(dense[i]) > least)) continue
    out.indices[k] = i
    out.values[k++] = dense[i]
  }
  return out
}

/** Scalar product of two vectors of the same length; O(entries of both). */
export function dot(a: SparseVector, b: SparseVector): number {
  let [i, j, sum] = [0, 0, 0]
  while (i < a.indices.length && j < b.indices.length) {
    const gap = a.indices[i] - b.indices[j]
    if (gap === 0) sum += a.values[i++] * b.values[j++]
    else if (gap < 0) i++
    else j++
  }
  return sum
}

/** The vector after changes made to it written out in full. @param least entries up to this size are left out */
export function withChanges(
  a: SparseVector,
  length: number,
  changes: (dense: Float64Array) => void,
  least = 0,
): SparseVector {
  const dense = new Float64Array(length)
  a.indices.forEach((place, k) => (dense[place] = a.values[k]))
  changes(dense)
  return sparse(dense, least)
}
