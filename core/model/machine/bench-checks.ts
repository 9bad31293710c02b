import type { BenchSort } from '../kinds'
import type { Machine } from './types'

/** From least to most that a good part shows within its tolerances, SI. */
export type Range = readonly [least: number, most: number]

/** A check of a part off the machine, with what a good one shows. Facts alone: `words` makes the sentences. */
export type BenchCheck =
  /** Worked by hand through water: contact closed above or below. */
  | { type: 'dipped'; closes: 'rising' | 'falling'; trip: Range; back: Range }
  /** Water poured into the tray that it stands in until it switches, m³. */
  | { type: 'cup'; volume: Range }
  /** Warmed until it switches, °C; never past `until`. */
  | { type: 'heated'; opens: Range; back: Range | undefined; until: number; medium: 'water' | 'dry'; button: boolean }
  /** Cooled until it opens, °C. */
  | { type: 'chilled'; opens: Range; back: Range }
  /** Would be spent by it. */
  | { type: 'never' }
  /** Its winding, Ω at 20 °C, and on what it may be energised off the machine. */
  | { type: 'coil'; ohms: Range; source: 'battery' | 'transformer' | 'none' }
  /** Regulated air at its inlet: when it passes, and the least pressure at which it opens, Pa. */
  | { type: 'air'; passes: 'energised' | 'at rest'; least: number }

/** How far past its trip point a thermostat may be heated, K. */
const PAST_TRIP = 6
/** Water gets no hotter than this, less what a cup in a room loses, °C. */
const WATER_ENDS = 97
/** Coils that pull below these, V, are of 12 V on a battery, and of 24 V on a transformer. */
const OF_A_BATTERY = 12
const OF_A_TRANSFORMER = 20

/** What is checked of a part on the bench, by what its kind says of itself. */
export function benchChecksOf(machine: Machine, part: number): BenchCheck[] {
  const sort = machine.kinds[part].bench
  return sort === undefined ? [] : BY_SORT[sort](new OnBench(machine, part))
}

/** A part as it lies on the bench: its values with their tolerances. */
class OnBench {
  constructor(
    readonly machine: Machine,
    readonly index: number,
  ) {}
  get part() {
    return this.machine.parts[this.index]
  }
  has(param: string): boolean {
    return param in this.part.param
  }
  nominal(param: string, of = this.part): number {
    return this.machine.params[of.param[param]].nominal
  }
  /** Two standard deviations to either side. */
  range(param: string, of = this.part): Range {
    const { nominal, sd } = this.machine.params[of.param[param]]
    return [nominal - 2 * sd, nominal + 2 * sd]
  }
}

const BY_SORT: Record<BenchSort, (on: OnBench) => BenchCheck[]> = {
  dipped(on) {
    const { choice, ref } = on.part
    const closes = choice['on-rise'] === 'closes' ? 'rising' : 'falling'
    const vessel = on.machine.parts[ref.of]
    const checks: BenchCheck[] = [{ type: 'dipped', closes, trip: on.range('trip'), back: on.range('return') }]
    if (vessel.choice.holds !== 'leaks') return checks
    const [[least, most], [low, high]] = [on.range('trip'), on.range('area', vessel)]
    return [...checks, { type: 'cup', volume: [least * low, most * high] }]
  },
  heated(on) {
    const { choice } = on.part
    if (choice.reset === 'never') return [{ type: 'never' }]
    const opens = on.range(on.has('trips-at') ? 'trips-at' : 'opens-at')
    const back = on.has('closes-at') ? on.range('closes-at') : undefined
    if (choice.opens === 'cold') return [{ type: 'chilled', opens, back: back! }]
    const until = opens[1] + PAST_TRIP
    const medium = until < WATER_ENDS ? 'water' : 'dry'
    return [
      { type: 'heated', opens, back, until, medium, button: choice.reset === 'button' || choice.reset === 'hand' },
    ]
  },
  coil(on) {
    const pulls = on.nominal('pull-in')
    const source = pulls < OF_A_BATTERY ? 'battery' : pulls < OF_A_TRANSFORMER ? 'transformer' : 'none'
    const coil: BenchCheck = { type: 'coil', ohms: on.range('ohms'), source }
    if (!on.has('opens-at') || source === 'none') return [coil]
    const passes = on.part.choice.rest === 'open' ? 'at rest' : 'energised'
    return [coil, { type: 'air', passes, least: on.nominal('opens-at') }]
  },
}

/** What a check is judged by: the product of these parameters lies between, SI, read to so much (one standard deviation). */
export interface BenchBand {
  params: readonly number[]
  from: number
  to: number
  readBy: number
}

/** A thermometer beside it, K; a measured cup, m³: one standard deviation. */
const THERMOMETER = 0.8
const CUP = 20e-6

/** The band in which a good part turns; `undefined` where it is only tried whether it does. */
export function benchBand({ parts }: Machine, index: number, check: BenchCheck): BenchBand | undefined {
  const { param, ref } = parts[index]
  const within = ([from, to]: Range, params: number[], readBy: number): BenchBand => ({
    params,
    from: from - 2 * readBy,
    to: to + 2 * readBy,
    readBy,
  })
  if (check.type === 'heated') return within(check.opens, [param['trips-at'] ?? param['opens-at']], THERMOMETER)
  if (check.type === 'cup') return within(check.volume, [param.trip, parts[ref.of].param.area], CUP)
  return undefined
}
