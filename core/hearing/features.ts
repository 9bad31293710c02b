import FFT from 'fft.js'
import type { Listening, SoundFrame } from './contract'

/** A look takes so many samples of 48 kHz: 0.17 s, fine enough for harmonics 50 Hz apart. */
const FRAME = 8192
/** Looks are so far apart, samples. */
const HOP = 2048
/** A coil on alternating current hums at twice the mains and its multiples; a phone hears little below 200 Hz. */
const HARMONICS = 6
/** What lies beside a harmonic is the noise that it stands out of: this far to each side, Hz. */
const BESIDE = [22, 30]
/** Octaves in which a motor is louder than a quiet room: their middles, Hz. */
const OCTAVES = [125, 250, 500, 1000, 2000, 4000]
/** Less than this is nothing, power. */
const FLOOR = 1e-14

const decibels = (power: number): number => 10 * Math.log10(power + FLOOR)

/** Turns samples as they come into looks at them. Keeps what it has not looked at; everything else is pure. */
export class FeatureReader {
  private readonly fft = new FFT(FRAME)
  private readonly window = Float64Array.from(
    { length: FRAME },
    (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / FRAME),
  )
  private readonly spectrum = this.fft.createComplexArray() as number[]
  private readonly shaped: number[] = new Array<number>(FRAME).fill(0)
  private readonly kept = new Float32Array(FRAME)
  private filled = 0
  private read = 0

  constructor(
    private readonly listening: Listening,
    private readonly rate: number,
  ) {}

  /** @param samples −1 … 1, following on those of before. @returns a look for every 2,048 of them */
  push(samples: Float32Array): SoundFrame[] {
    const frames: SoundFrame[] = []
    for (let from = 0; from < samples.length;) {
      const take = Math.min(FRAME - this.filled, samples.length - from)
      this.kept.set(samples.subarray(from, from + take), this.filled)
      this.filled += take
      this.read += take
      from += take
      if (this.filled < FRAME) break
      frames.push({ at: (this.read - FRAME / 2) / this.rate, features: this.look() })
      this.kept.copyWithin(0, HOP)
      this.filled = FRAME - HOP
    }
    return frames
  }

  private look(): Float64Array {
    for (let i = 0; i < FRAME; i++) this.shaped[i] = this.kept[i]! * this.window[i]!
    this.fft.realTransform(this.spectrum, this.shaped)
    if (this.listening === 'motor')
      return Float64Array.from(OCTAVES, (f) => decibels(this.power(f / Math.SQRT2, f * Math.SQRT2)))
    const line = this.listening === 'hum-50' ? 50 : 60
    return Float64Array.from({ length: HARMONICS }, (_, k) => {
      const at = 2 * line * (k + 1)
      const beside = (this.power(at - BESIDE[1]!, at - BESIDE[0]!) + this.power(at + BESIDE[0]!, at + BESIDE[1]!)) / 2
      // Out of the noise beside it: what gets louder as a whole is no hum.
      return decibels(this.power(at - 6, at + 6)) - decibels(beside)
    })
  }
  /** Mean power of a band, as a share of full scale. */
  private power(from: number, to: number): number {
    const bin = this.rate / FRAME
    const [first, last] = [Math.max(1, Math.round(from / bin)), Math.min(FRAME / 2 - 1, Math.round(to / bin))]
    let sum = 0
    for (let k = first; k <= last; k++) sum += this.spectrum[2 * k]! ** 2 + this.spectrum[2 * k + 1]! ** 2
    return sum / Math.max(1, last - first + 1) / FRAME ** 2
  }
}
