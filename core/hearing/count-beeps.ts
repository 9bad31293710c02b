import FFT from 'fft.js'

/** A look takes so many samples of 48 kHz: 21 ms; half of them are looked at again. */
const FRAME = 1024
const HOP = 512
/** Beepers of appliances sound between these, Hz. */
const BAND = [700, 5000]
/** A tone stands so far out of the rest of its band, dB, and is at least so loud (power of full scale). */
const STANDS_OUT = 20
const LEAST = 1e-7
/** A beep lasts between these; what is longer is no beep, s. */
const SHORTEST = 0.05
const LONGEST = 2
/** Beeps of one count are no further apart than this, s. */
export const APART = 1.6

export interface Beep {
  from: number
  to: number
  hertz: number
}

/** Hears the beeps of an alarm: single tones with silence between. */
export class BeepCounter {
  readonly beeps: Beep[] = []
  private readonly fft = new FFT(FRAME)
  private readonly spectrum = this.fft.createComplexArray() as number[]
  private readonly shaped: number[] = new Array<number>(FRAME).fill(0)
  private readonly kept = new Float32Array(FRAME)
  private filled = 0
  private read = 0
  private tone: Beep | undefined

  constructor(private readonly rate: number) {}

  push(samples: Float32Array): void {
    for (let from = 0; from < samples.length;) {
      const take = Math.min(FRAME - this.filled, samples.length - from)
      this.kept.set(samples.subarray(from, from + take), this.filled)
      this.filled += take
      this.read += take
      from += take
      if (this.filled < FRAME) break
      this.look((this.read - FRAME / 2) / this.rate)
      this.kept.copyWithin(0, HOP)
      this.filled = FRAME - HOP
    }
  }
  /** Ends what still sounds. */
  end(): void {
    if (this.tone) this.close(this.tone)
    this.tone = undefined
  }
  private close(tone: Beep): void {
    const long = tone.to - tone.from
    if (long >= SHORTEST && long <= LONGEST) this.beeps.push(tone)
  }
  private look(at: number): void {
    const hertz = this.loudest()
    const half = FRAME / 2 / this.rate
    if (this.tone && hertz !== undefined && Math.abs(hertz - this.tone.hertz) < 2.5 * (this.rate / FRAME))
      this.tone.to = at + half / 2
    else {
      if (this.tone) this.close(this.tone)
      this.tone = hertz === undefined ? undefined : { from: at - half / 2, to: at + half / 2, hertz }
    }
  }
  /** The tone that stands out of its band, Hz; `undefined` where none does. */
  private loudest(): number | undefined {
    for (let i = 0; i < FRAME; i++) this.shaped[i] = this.kept[i]! * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / FRAME))
    this.fft.realTransform(this.spectrum, this.shaped)
    const bin = this.rate / FRAME
    const powers: number[] = []
    const first = Math.round(BAND[0]! / bin)
    for (let k = first; k <= BAND[1]! / bin; k++)
      powers.push((this.spectrum[2 * k]! ** 2 + this.spectrum[2 * k + 1]! ** 2) / FRAME ** 2)
    let best = 0
    for (let i = 1; i < powers.length; i++) if (powers[i]! > powers[best]!) best = i
    const middle = powers.toSorted((a, b) => a - b)[powers.length >> 1]! + 1e-16
    return powers[best]! > LEAST && 10 * Math.log10(powers[best]! / middle) > STANDS_OUT
      ? (first + best) * bin
      : undefined
  }
}

/** How many beeps each group has, the groups told apart by silence. */
export function groupsOf(beeps: readonly Beep[]): number[] {
  const groups: number[] = []
  beeps.forEach((b, i) => {
    if (i > 0 && b.from - beeps[i - 1]!.to < APART) groups[groups.length - 1]!++
    else groups.push(1)
  })
  return groups
}
