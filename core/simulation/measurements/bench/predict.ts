import { benchBand } from '../../../model/machine'
import type { MeasurementOf, MeasurementPrediction, Scene } from '../contract'
import { showsWorked } from '../worked/shows-worked'

/** How often a good one is judged bad, and a bad one good: slow warming, a spilled cup, air that hisses by. */
const MISJUDGED = 0.02

/** Chance that a normal number lies below this many standard deviations (Abramowitz & Stegun 26.2.17, to 1e-7). */
function below(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return z > 0 ? 1 - tail : tail
}

/** Chance that what it turns at lies in the band of good ones. */
function withinBand(m: MeasurementOf<'bench'>, { point }: Scene): number {
  const { machine, values, standardDeviations } = point.faulted
  const band = m.shows && benchBand(machine, m.part, m.shows)
  if (!band) return 1
  const value = band.params.reduce((product, p) => product * values[p], 1)
  // Shares of the factors add as squares; what it is read by comes on top.
  const share = Math.sqrt(band.params.reduce((sum, p) => sum + (standardDeviations[p] / values[p]) ** 2, 0))
  const spread = Math.hypot(value * share, band.readBy)
  return below((band.to - value) / spread) - below((band.from - value) / spread)
}

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'bench'>> = {
  observe(m, scene) {
    const { activeFaults, point } = scene
    const part = point.faulted.parts[m.part]
    const own = activeFaults.filter(({ fault }) => showsWorked(fault, part, undefined))
    // What holds it as it is never turns; what moves where it turns is judged by the band.
    const holds = own.filter(({ fault }) => fault.effects.some((e) => e.type === 'mode'))
    const misses = holds.reduce((kept, f) => kept * (f.missProbability === undefined ? 0 : 1 - f.missProbability), 1)
    const tripped =
      m.check === 'heated' &&
      point.faulted.machine.staying.includes(part.mode.contact) &&
      point.modes[part.mode.contact] === 0
    const good = tripped ? 0 : misses * withinBand(m, scene)
    return { type: 'tester', probability: MISJUDGED + (1 - 2 * MISJUDGED) * good }
  },
}
