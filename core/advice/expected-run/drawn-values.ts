import type { Machine } from '../../model/machine'

/** Further from its nominal value no good part is taken to be, standard deviations. */
const FURTHEST = 3

/** A number from 0 to 1 for a place in a row: the finaliser of splitmix32, the same at every call. */
function unit(seed: number, place: number): number {
  let x = (Math.imul(seed + 1, 0x9e3779b9) + Math.imul(place + 1, 0x85ebca6b)) | 0
  x = Math.imul(x ^ (x >>> 16), 0x21f0aaad)
  x = Math.imul(x ^ (x >>> 15), 0x735a2d97)
  return ((x ^ (x >>> 15)) >>> 0) / 2 ** 32
}

/** A standard normal number of a row (Box & Muller 1958), no further out than three. */
function normal(seed: number, place: number): number {
  const [u, v] = [Math.max(unit(seed, 2 * place), 1e-12), unit(seed, 2 * place + 1)]
  const z = Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * v)
  return Math.min(FURTHEST, Math.max(-FURTHEST, z))
}

/**
 * Values of one good machine of many: each within its tolerance, those that share a spread moved together. Pure: the same `seed` gives the
 * same machine.
 *
 * @param known values that were measured, SI by parameter: they stay
 */
export function drawnValues(
  { params, values }: Machine,
  seed: number,
  known: ReadonlyMap<number, number>,
): Float64Array {
  return Float64Array.from(values, (nominal, i) => {
    const given = known.get(i)
    if (given !== undefined) return given
    const { sd, sharedSpread } = params[i]
    const own = nominal + sd * normal(seed, i)
    return sharedSpread ? own + sharedSpread.sd * normal(seed, params.length + sharedSpread.group) : own
  })
}
