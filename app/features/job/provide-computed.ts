import type { useEngine } from '../../engine'
import { dropPredictions, keepPredictions, keptPredictions, type PredictionsKey } from '../../data/predictions'

/** What was computed of a machine elsewhere is waited for so long; then the machine is run here, ms. */
const WAITS = 1500

/**
 * Gives the engine what was computed before of the same sheet with the same readings of good parts and the same options.
 *
 * @param basis what moves the numbers of the revision, as the engine names it; empty where nothing does
 * @param plain what was computed of the revision as it stands, on its way
 * @returns what keeps what had to be computed now
 */
export async function provideComputed(
  engine: ReturnType<typeof useEngine>,
  {
    known,
    basis,
    complaints,
    plain,
  }: {
    known: Omit<PredictionsKey, 'basis'>
    basis: string
    complaints: readonly string[]
    plain: Promise<Uint8Array | undefined>
  },
): Promise<() => Promise<void>> {
  const give = (bytes: Uint8Array) => engine.provide(bytes).catch(() => false)
  const late = new Promise<undefined>((go) => setTimeout(() => go(undefined), WAITS))
  const whole = basis ? undefined : await Promise.race([plain, late])
  if (whole) {
    if (await give(whole)) return () => Promise.resolve()
    // Cut off on its way: it is fetched anew another time.
    await dropPredictions({ ...known, basis: '' })
  }
  // On the device stands what the same complaints needed.
  const own = { ...known, basis: JSON.stringify([basis, complaints]) }
  const kept = await keptPredictions(own)
  if (kept && (await give(kept))) return () => Promise.resolve()
  // A page that is left meanwhile keeps nothing.
  return () =>
    engine.computed().then(
      (now) => keepPredictions(own, now),
      () => undefined,
    )
}
