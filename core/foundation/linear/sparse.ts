/** A vector by the entries that are not zero. Not to be changed once made. */
export interface Sparse {
  /** Their places, ascending. */
  at: Uint16Array
  value: Float64Array
}

/** The entries of a dense vector (at most 65,536 long) that are not zero. */
export function sparse(dense: Float64Array): Sparse {
  let n = 0
  for (let i = 0; i < dense.length; i++) if (dense[i] !== 0) n++
  const out = { at: new Uint16Array(n), value: new Float64Array(n) }
  for (let i = 0, k = 0; i < dense.length; i++) {
    if (dense[i] === 0) continue
    out.at[k] = i
    out.value[k++] = dense[i]
  }
  return out
}

/** Scalar product; O(entries of both). */
export function dot(a: Sparse, b: Sparse): number {
  let [i, j, sum] = [0, 0, 0]
  while (i < a.at.length && j < b.at.length) {
    const gap = a.at[i] - b.at[j]
    if (gap === 0) sum += a.value[i++] * b.value[j++]
    else if (gap < 0) i++
    else j++
  }
  return sum
}

/** The vector after changes made to it written out in full. */
export function changed(a: Sparse, length: number, changes: (dense: Float64Array) => void): Sparse {
  const dense = new Float64Array(length)
  a.at.forEach((place, k) => (dense[place] = a.value[k]))
  changes(dense)
  return sparse(dense)
}
