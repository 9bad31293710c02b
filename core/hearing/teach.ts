import type { Hearing, SoundFrame, Taught } from './contract'

/** A sample of fewer looks teaches nothing: half a second. */
export const LEAST_FRAMES = 12
/** The judgement must rise by so many decibels, and by so many times what it wavers, before a turn is placed to a fifth of a second. */
const LEAST_RISE = 6
const LEAST_SHARE = 4
/** A sound that loses so much of its rise while it goes on is taken away by the device. */
const FADES = 0.4
const VARIANCE_FLOOR = 0.5

const meanOf = (frames: readonly SoundFrame[], k: number) =>
  frames.reduce((sum, f) => sum + f.features[k]!, 0) / frames.length
const varianceOf = (frames: readonly SoundFrame[], k: number, mean: number) =>
  frames.reduce((sum, f) => sum + (f.features[k]! - mean) ** 2, 0) / Math.max(1, frames.length - 1)

/** How far a look rises above quiet, dB: weighted by what tells. */
export const judge = ({ weights, quiet }: Taught, { features }: SoundFrame): number =>
  weights.reduce((sum, w, k) => sum + w * (features[k]! - quiet[k]!), 0)

/**
 * Teaches an ear by what a sound is and is not. Each feature counts by how far it rises for how much it wavers (Fisher 1936, features taken
 * as independent); what falls counts for nothing.
 *
 * @param quiet looks without the sound, 12 at least
 * @param sound looks with it, 12 at least
 * @returns `undefined` where a sample is too short
 */
export function teach(quiet: readonly SoundFrame[], sound: readonly SoundFrame[]): Taught | undefined {
  if (quiet.length < LEAST_FRAMES || sound.length < LEAST_FRAMES) return undefined
  const count = quiet[0]!.features.length
  const [low, high] = [quiet, sound].map((s) => Float64Array.from({ length: count }, (_, k) => meanOf(s, k)))
  const raw = Float64Array.from({ length: count }, (_, k) => {
    const spread = varianceOf(quiet, k, low![k]!) + varianceOf(sound, k, high![k]!) + VARIANCE_FLOOR
    return Math.max(0, high![k]! - low![k]!) / spread
  })
  const sum = raw.reduce((a, b) => a + b, 0)
  const weights = sum > 0 ? raw.map((w) => w / sum) : raw.map(() => 1 / count)
  const taught: Taught = { weights, quiet: low!, rise: 0, wavers: 0, fades: false }
  const [still, loud] = [quiet, sound].map((s) => s.map((f) => judge(taught, f)))
  const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length
  const spread = (list: readonly number[]) => {
    const m = mean(list)
    return Math.sqrt(list.reduce((a, b) => a + (b - m) ** 2, 0) / Math.max(1, list.length - 1))
  }
  const rise = mean(loud!) - mean(still!)
  const third = Math.ceil(loud!.length / 3)
  const [first, last] = [mean(loud!.slice(0, third)), mean(loud!.slice(-third))]
  return {
    ...taught,
    rise,
    wavers: Math.max(spread(still!), spread(loud!)),
    fades: rise > 0 && first - last > FADES * Math.max(first, LEAST_RISE),
  }
}

/** Whether a taught ear places a turn to a fifth of a second, or says that it cannot tell. */
export const hearingOf = ({ rise, wavers, fades }: Taught): Hearing =>
  !fades && rise >= LEAST_RISE && rise >= LEAST_SHARE * wavers ? 'well' : 'cannot-tell'
