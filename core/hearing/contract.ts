/** What an ear listens for: a coil on alternating current by its hum, a motor by the bands of its noise. */
export type Listening = 'hum-50' | 'hum-60' | 'motor'

/** One look at the sound: decibels by feature, at the middle of the stretch that was looked at, s since the ear was opened. */
export interface SoundFrame {
  at: number
  features: Float64Array
}

/** What an ear was taught by a sample without and one with the sound. */
export interface Taught {
  /** Share of each feature in the judgement; they sum to 1. */
  weights: Float64Array
  /** Mean of each feature without the sound, dB. */
  quiet: Float64Array
  /** How far the judgement rises with the sound, dB, and how much it wavers without and with it (one standard deviation), dB. */
  rise: number
  wavers: number
  /** Whether the sound faded while it went on: something in the device takes away what is steady. */
  fades: boolean
}

/** What an ear heard: something began or ended. `certain`: to a fifth of a second; else only that it was. */
export interface Heard {
  turn: 'on' | 'off'
  at: number
}

/** How well a taught ear can tell. */
export type Hearing = 'well' | 'cannot-tell'
