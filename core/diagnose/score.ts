import { findMeter } from '../simulation/instrument'
import { interventionsKey, type Member, type Predictor } from '../predict'
import { againLikelihood, likelihood, noCondition, withAnswer, withValue, type Fit } from './likelihood'
import type { Case, Condition, PlacedReading } from './types'

/** A complaint is heard where the machine shows it, and sometimes where it does not. */
export const HEARD = 0.9
const MISHEARD = 0.006
/** Chance that a slip is made in the same way again when a reading is repeated. */
const SLIPS_AGAIN = 0.2
/** The same of a sense: who mistook it once mistakes it again. */
const MISTAKES_AGAIN = 0.5

/** Names what is read, how, and with what in and out: two readings with one key are one thing read twice. */
export const keyOf = (r: Pick<PlacedReading, 'procedure' | 'meter' | 'interventions'>): string =>
  `${r.procedure.key}|${r.meter ?? ''}|${interventionsKey(r.interventions)}`

/** Floor of the instrument that a reading was taken with, SI. */
export const floorOf = ({ procedure, meter }: PlacedReading): number => {
  const id = meter ?? procedure.meter
  return (id === undefined ? undefined : findMeter(id)?.resolution) ?? 0
}

/** Readings in an order that does not depend on when they were taken. */
export function inOrder(readings: readonly PlacedReading[]): PlacedReading[] {
  const key = (r: PlacedReading) => `${keyOf(r)}|${JSON.stringify(r.value)}`
  const sorted = [...readings].filter((r) => r.value.is !== 'could-not').sort((a, b) => (key(a) < key(b) ? -1 : 1))
  // The same sense asked twice about the same thing is one witness.
  const sensed = (r: PlacedReading) => r.value.is === 'yes' || r.value.is === 'no'
  return sorted.filter((r, i) => !sensed(r) || i === 0 || key(sorted[i - 1]) !== key(r))
}

export interface Scored {
  /** Logarithm of prior × likelihood of everything. */
  log: number
  condition: Condition
  /** Likelihood of each reading, in the fixed order. */
  each: number[]
  fits: Fit[]
  /** Likelihood of each complaint. */
  heard: number[]
}

/** Scores one member on its own: every reading given the earlier ones. */
export function score(predictor: Predictor, member: Member, c: Case, readings: readonly PlacedReading[]): Scored {
  const heard = c.complaints.map(({ complaint, interventions }) =>
    predictor.complains(member, complaint, interventions) ? HEARD : MISHEARD,
  )
  const complaint = heard.reduce((product, x) => product * x, 1)
  // A machine whose every fault has been repaired still fails only when the repair did not hold.
  const done = member.activeFaults.filter(({ fault }) => c.repairs.includes(fault.repair))
  const { repairs } = predictor.bench.machine
  const held =
    done.length > 0 && done.length === member.activeFaults.length
      ? done.reduce((chance, { fault }) => chance + 1 - repairs[fault.repair].successProbability, 1e-9)
      : 1
  let log = Math.log(member.weight) + Math.log(complaint) + Math.log(held)
  let condition = noCondition
  const each: number[] = []
  const fits: Fit[] = []
  readings.forEach((r, k) => {
    const p = predictor.predict(member, r.procedure, r.meter, r.interventions)
    const dimension = r.procedure.shape.takes === 'number' ? r.procedure.shape.dimension : undefined
    const fit = likelihood(p, r.value, dimension, condition, keyOf(r))
    const { explains } = fit
    const first = readings.findLastIndex((x, i) => i < k && keyOf(x) === keyOf(r))
    const again = first < 0 ? 0 : (p.is === 'sense' ? MISTAKES_AGAIN : SLIPS_AGAIN) * fits[first].slip
    const l =
      again > 0
        ? (1 - again) * fit.l + again * againLikelihood(r.value, readings[first].value, dimension, floorOf(r))
        : fit.l
    fits.push(fit)
    each.push(l)
    log += Math.log(Math.max(l, 1e-300))
    if (explains && p.is === 'value' && r.value.is === 'value')
      condition = withValue(condition, p, r.value.si, keyOf(r))
    if (p.is === 'sense' && (r.value.is === 'yes' || r.value.is === 'no'))
      condition = withAnswer(condition, p, r.value.is === 'yes')
  })
  return { log, condition, each, fits, heard }
}
