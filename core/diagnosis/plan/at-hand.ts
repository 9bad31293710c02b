import { readingShapeFor, type Procedure } from '../catalogue'

/**
 * Tests that can be taken with what is at hand: with the usual instrument, or with the first that takes its place.
 *
 * @param lacking ids of instruments that are not at hand
 */
export function atHand(procedures: readonly Procedure[], lacking: readonly string[]): Procedure[] {
  if (!lacking.length) return [...procedures]
  return procedures.flatMap((p) => {
    if (p.meter === undefined || !lacking.includes(p.meter)) return [p]
    const meter = p.alternativeMeters.find((m) => !lacking.includes(m))
    if (meter === undefined) return []
    // Another instrument is another reading: what was computed for the usual one is not its.
    return [{ ...p, key: `${p.key}/${meter}`, meter, shape: readingShapeFor(p, meter) }]
  })
}
