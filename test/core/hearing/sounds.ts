import { random, normal } from '../../../core/truth'

/** Sounds as they would reach a phone, made by addition: no sample of a real one. */
export const RATE = 48_000
export const seconds = (s: number): Float32Array => new Float32Array(Math.round(s * RATE))

/** Adds noise of this power to everything. */
export function noise(samples: Float32Array, level: number, seed: number): Float32Array {
  const next = random(seed)
  return samples.map((x) => x + level * normal(next))
}

/** The strength of a coil's hum at twice the mains and its multiples. */
const STRENGTHS = [1, 0.6, 0.45, 0.3, 0.2, 0.15]

/** Adds the hum of a coil on alternating current through a stretch, s. @param line Hz; real mains wander a little */
export function hum(samples: Float32Array, line: number, level: number, from: number, to: number): Float32Array {
  return samples.map((x, i) => {
    const t = i / RATE
    if (t < from || t >= to) return x
    return x + level * STRENGTHS.reduce((sum, a, k) => sum + a * Math.sin(2 * Math.PI * 2 * line * (k + 1) * t + k), 0)
  })
}

/** Adds a tone through a stretch, s. */
export const tone = (samples: Float32Array, hertz: number, level: number, from: number, to: number): Float32Array =>
  samples.map((x, i) => {
    const t = i / RATE
    return t < from || t >= to ? x : x + level * Math.sin(2 * Math.PI * hertz * t)
  })

/** As a phone rolls off: two poles at this frequency. */
export function highPassed(samples: Float32Array, hertz: number): Float32Array {
  let out = samples
  const a = 1 / (1 + (2 * Math.PI * hertz) / RATE)
  for (let pole = 0; pole < 2; pole++) {
    let [before, made] = [0, 0]
    out = out.map((x) => {
      made = a * (made + x - before)
      before = x
      return made
    })
  }
  return out
}

/** As a noise suppressor does: what has been steady for a second is taken away, a look of 10 ms at a time and by one gain. */
export function suppressed(samples: Float32Array): Float32Array {
  const block = RATE / 100
  const out = samples.slice()
  let floor = 0
  for (let from = 0; from + block <= out.length; from += block) {
    let power = 0
    for (let i = from; i < from + block; i++) power += out[i]! ** 2
    power /= block
    floor = floor === 0 ? power : floor + (power - floor) * 0.02
    const gain = Math.sqrt(Math.max(0.002, 1 - floor / Math.max(power, 1e-12)))
    for (let i = from; i < from + block; i++) out[i]! *= gain
  }
  return out
}
