import { describe, expect, it } from 'vitest'
import {
  BeepCounter,
  FeatureReader,
  groupsOf,
  hearingOf,
  Listener,
  SoundClock,
  teach,
  type Heard,
  type Listening,
  type Taught,
} from '../../../core/hearing'
import { highPassed, hum, noise, RATE, seconds, suppressed, tone } from './sounds'

type Path = (samples: Float32Array) => Float32Array
const plain: Path = (s) => s

const looks = (samples: Float32Array, listening: Listening) => {
  const reader = new FeatureReader(listening, RATE)
  // As a phone brings them: in pieces of any size.
  const frames = []
  for (let from = 0, k = 0; from < samples.length; k++) {
    const to = from + 500 + ((k * 977) % 3000)
    frames.push(...reader.push(samples.subarray(from, to)))
    from = to
  }
  return frames
}
/** An ear taught by two seconds without and two with the hum, at this level over noise of 0.01. */
const taughtBy = (line: 50 | 60, level: number, path: Path, seed = 1): Taught =>
  teach(
    looks(path(noise(seconds(2.5), 0.01, seed)), `hum-${line}`),
    looks(path(hum(noise(seconds(2.5), 0.01, seed + 1), line, level, 0, 9)), `hum-${line}`),
  )!
const heardIn = (samples: Float32Array, taught: Taught, line: 50 | 60): Heard[] =>
  new Listener(taught).push(looks(samples, `hum-${line}`))

describe('a coil on alternating current', () => {
  it.each([
    [50, 'as it is', plain],
    [60, 'as it is', plain],
    [50, 'through a phone that rolls off below 200 Hz', (s) => highPassed(s, 200)],
    [60, 'through a phone that rolls off below 300 Hz', (s) => highPassed(s, 300)],
  ] as [50 | 60, string, Path][])('hum of %d Hz, %s: begin and end within a fifth of a second', (line, _, path) => {
    for (const [seed, from, to] of [
      [3, 2.31, 9.87],
      [4, 1.05, 4.44],
      [5, 3.7, 6.02],
    ] as const) {
      const taught = taughtBy(line, 0.01, path)
      expect(hearingOf(taught)).toBe('well')
      const heard = heardIn(path(hum(noise(seconds(12), 0.01, seed), line, 0.01, from, to)), taught, line)
      expect(heard.map((h) => h.turn)).toEqual(['on', 'off'])
      expect(Math.abs(heard[0]!.at - from)).toBeLessThan(0.2)
      expect(Math.abs(heard[1]!.at - to)).toBeLessThan(0.2)
    }
  })

  it('above the signal-to-noise at which it says that it can tell it is right; below it says that it cannot', () => {
    let [well, not] = [0, 0]
    for (const level of [0.0002, 0.0005, 0.001, 0.002, 0.004, 0.008]) {
      const taught = taughtBy(50, level, plain, 11)
      if (hearingOf(taught) === 'cannot-tell') {
        not++
        continue
      }
      well++
      for (const seed of [20, 21, 22, 23]) {
        const heard = heardIn(hum(noise(seconds(8), 0.01, seed), 50, level, 2.5, 5.5), taught, 50)
        expect(heard.map((h) => h.turn)).toEqual(['on', 'off'])
        expect(Math.abs(heard[0]!.at - 2.5)).toBeLessThan(0.2)
        expect(Math.abs(heard[1]!.at - 5.5)).toBeLessThan(0.2)
      }
    }
    expect(well).toBeGreaterThan(1)
    expect(not).toBeGreaterThan(1)
  })

  it('a device that takes away what is steady is found out while it is taught', () => {
    const path: Path = (s) => suppressed(s)
    const taught = teach(
      looks(path(noise(seconds(2.5), 0.01, 1)), 'hum-50'),
      looks(path(hum(noise(seconds(5), 0.002, 2), 50, 0.05, 0.5, 9)), 'hum-50'),
    )!
    expect(hearingOf(taught)).toBe('cannot-tell')
  })

  it('neither loud noise nor the hum of another mains is taken for it', () => {
    const taught = taughtBy(50, 0.01, plain)
    expect(heardIn(noise(seconds(4), 0.08, 7), taught, 50)).toEqual([])
    expect(heardIn(hum(noise(seconds(6), 0.01, 8), 60, 0.01, 2, 4), taught, 50)).toEqual([])
  })

  it('what the device itself says and beeps is not heard', () => {
    const taught = taughtBy(50, 0.01, plain)
    const frames = looks(hum(noise(seconds(8), 0.01, 9), 50, 0.01, 2, 4), 'hum-50')
    expect(new Listener(taught).push(frames, [{ from: 1.5, to: 4.5 }])).toEqual([])
  })

  it('too short a sample teaches nothing', () => {
    const frames = looks(noise(seconds(0.4), 0.01, 1), 'hum-50')
    expect(teach(frames, frames)).toBeUndefined()
  })
})

describe('a motor', () => {
  it('is heard to start and stop by the bands of its noise', () => {
    const quiet = noise(seconds(2.5), 0.003, 1)
    const taught = teach(looks(quiet, 'motor'), looks(noise(seconds(2.5), 0.03, 2), 'motor'))!
    expect(hearingOf(taught)).toBe('well')
    const run = noise(seconds(10), 0.003, 3)
    run.set(noise(seconds(4), 0.03, 4), Math.round(3.2 * RATE))
    const heard = new Listener(taught).push(looks(run, 'motor'))
    expect(heard.map((h) => h.turn)).toEqual(['on', 'off'])
    expect(Math.abs(heard[0]!.at - 3.2)).toBeLessThan(0.2)
    expect(Math.abs(heard[1]!.at - 7.2)).toBeLessThan(0.2)
  })
})

describe('beeps of an alarm', () => {
  const beeping = (counts: number[], hertz: number, level: number) => {
    let at = 1
    let samples = noise(seconds(30), 0.004, 5)
    for (const count of counts) {
      for (let k = 0; k < count; k++, at += 0.5) samples = tone(samples, hertz, level, at, at + 0.25)
      at += 2.5
    }
    return samples
  }
  it.each([
    [[3, 3, 3], 2048],
    [[2, 5], 3100],
    [[1, 7], 900],
  ])('%j beeps at %d Hz are counted in their groups', (counts, hertz) => {
    const counter = new BeepCounter(RATE)
    counter.push(beeping(counts, hertz, 0.03))
    counter.end()
    expect(groupsOf(counter.beeps)).toEqual(counts)
    for (const b of counter.beeps) expect(Math.abs(b.to - b.from - 0.25)).toBeLessThan(0.08)
  })
  it('noise, a hum and a long tone are none', () => {
    const counter = new BeepCounter(RATE)
    counter.push(tone(hum(noise(seconds(9), 0.01, 6), 50, 0.02, 1, 8), 1500, 0.05, 2, 7))
    counter.end()
    expect(counter.beeps).toEqual([])
  })
})

describe('when it was, by the clock of a page', () => {
  /** Pieces of 43 ms that arrive when the page has time, from a microphone that gives no sound while it stands still. */
  const follow = (busy: (at: number) => number, lost: (at: number) => number) => {
    const clock = new SoundClock()
    const piece = 2048 / 48_000
    const places: number[] = []
    for (let heard = piece; heard < 60; heard += piece) {
      const real = 100 + heard + lost(heard)
      clock.push(heard, real + busy(real))
      // What lasts is told a fifth of a second later.
      for (const [turn, at] of [
        ['on', 10],
        ['off', 50],
      ] as const)
        if (heard - piece < at + 0.2 && heard >= at + 0.2) places.push(clock.place({ turn, at }))
    }
    return places
  }
  const idle = () => 0.01
  it('a page that is busy moves nothing; a slow clock of the sound does not lengthen it; what was lost does', () => {
    // At the end the page stands still for three seconds.
    const [on, off] = follow(
      (t) => (t > 149 && t < 152 ? 152 - t : 0.01),
      () => 0,
    )
    expect(on).toBeCloseTo(110, 1)
    expect(off).toBeCloseTo(150, 1)
    const slow = follow(idle, (h) => 0.03 * h)
    expect(slow[1]! - slow[0]!).toBeCloseTo(40, 1)
    const slept = follow(idle, (h) => (h > 30 ? 7 : 0))
    expect(slept[1]! - slept[0]!).toBeCloseTo(47, 1)
  })
})
