import { varianceOf, type Predictor } from '../predict'
import type { Belief, ContextualReading, Suspect } from './types'

/** Under this remaining probability a link counts as proven. */
export const PROVEN_BELOW = 0.01
/** Above this probability a link counts as faulty. */
export const FAULTY_ABOVE = 0.9

/** Suspects by falling probability: severities of one fault together, healthy as the suspect without faults. */
export function suspects(belief: Belief): Suspect[] {
  const byKey = new Map<string, { suspect: Suspect; best: number }>()
  belief.hypotheses.forEach((m, i) => {
    const key = m.activeFaults.map((x) => x.fault.index).join('+')
    const faults = m.activeFaults.map(({ fault, severity }) => ({
      id: fault.id,
      title: fault.title,
      part: fault.part,
      severity,
    }))
    const entry = byKey.get(key)
    if (!entry) byKey.set(key, { suspect: { faults, p: belief.posterior[i] }, best: belief.posterior[i] })
    else {
      entry.suspect.p += belief.posterior[i]
      if (belief.posterior[i] > entry.best) {
        entry.best = belief.posterior[i]
        entry.suspect.faults = faults
      }
    }
  })
  return [...byKey.values()].map((e) => e.suspect).sort((a, b) => b.p - a.p)
}

export type LinkState = 'open' | 'proven' | 'suspect' | 'faulty' | 'bypassed'

export interface LinkStatus {
  part: number
  /** Remaining probability that one of the part's faults acts. */
  p: number
  /** Probability that one of them comes and goes and rests just now: a good reading clears a part of this moment alone. */
  restingProbability: number
  state: LinkState
}

/**
 * How each part stands. A part is *proven* when its remaining probability is under `PROVEN_BELOW` and the readings
 * speak against its own faults: they are at most half as likely with one of them as with a healthy machine. A part
 * that is merely explained away by another's fault stays `open`.
 *
 * @param jumpers parts with a jumper in
 */
export function linkStatuses(predictor: Predictor, belief: Belief, jumpers: readonly number[]): LinkStatus[] {
  const { machine } = predictor.catalogue
  const mass = new Float64Array(machine.parts.length)
  const against = new Float64Array(machine.parts.length)
  const weight = new Float64Array(machine.parts.length)
  const rests = new Float64Array(machine.parts.length)
  belief.hypotheses.forEach((m, i) => {
    const acting = new Set(m.activeFaults.flatMap((x) => (x.missProbability === undefined ? [x.fault.part] : [])))
    for (const part of new Set(m.activeFaults.map((x) => x.fault.part)))
      (acting.has(part) ? mass : rests)[part] += belief.posterior[i]
    if (m.activeFaults.length !== 1 || !acting.size) return
    const { part } = m.activeFaults[0].fault
    weight[part] += m.priorWeight
    against[part] += m.priorWeight * Math.exp(Math.min(50, belief.logLikelihoods[i] - belief.logLikelihoods[0]))
  })
  return machine.parts.map(({ index }) => {
    const p = mass[index]
    const state: LinkState = jumpers.includes(index)
      ? 'bypassed'
      : p >= FAULTY_ABOVE
        ? 'faulty'
        : p >= PROVEN_BELOW
          ? 'suspect'
          : weight[index] > 0 && against[index] < weight[index] / 2
            ? 'proven'
            : 'open'
    return { part: index, p, restingProbability: rests[index], state }
  })
}

export interface Verdict {
  test: string
  /** Lower and upper end of what a healthy machine shows, SI; `undefined` for anything but numbers. */
  band: { low: number; high: number } | undefined
  /** Distance from the middle of the band in half widths; 1 is the edge. */
  distance: number
  finding:
    | 'as it should be'
    | 'near the edge'
    | 'too low'
    | 'too high'
    | 'open'
    | 'not as it should be'
    | 'never came'
    | 'not taken'
}

/** Judges a reading against what the healthy machine shows there (two standard deviations either side). */
export function judgeReading(predictor: Predictor, reading: ContextualReading): Verdict {
  const { procedure, value, meter, interventions } = reading
  const healthy = predictor.predict(predictor.healthy, procedure, meter, interventions)
  const base = { test: procedure.id, band: undefined, distance: 0 }
  if (value.type === 'could-not') return { ...base, finding: 'not taken' }
  if (value.type === 'times') {
    const says = value.clean === value.of ? 'as it should be' : 'not as it should be'
    return { ...base, distance: value.clean === value.of ? 0 : Infinity, finding: says }
  }
  if (healthy.type === 'value') {
    const sd = Math.sqrt(varianceOf(healthy))
    const band = { low: Math.max(0, healthy.mean - 2 * sd), high: healthy.mean + 2 * sd }
    if (value.type === 'open') return { ...base, band, distance: Infinity, finding: 'open' }
    if (value.type === 'never') return { ...base, band, distance: Infinity, finding: 'never came' }
    if (value.type !== 'value') return { ...base, band, distance: Infinity, finding: 'not as it should be' }
    const distance = Math.abs(value.si - healthy.mean) / (2 * sd)
    const says =
      distance <= 0.85
        ? 'as it should be'
        : distance <= 1.25
          ? 'near the edge'
          : value.si < healthy.mean
            ? 'too low'
            : 'too high'
    return { test: procedure.id, band, distance, finding: says }
  }
  if (value.type === 'never')
    return { ...base, distance: Infinity, finding: healthy.type === 'never' ? 'as it should be' : 'never came' }
  const right =
    healthy.type === 'sense'
      ? (value.type === 'yes') === healthy.yes > 0.5
      : healthy.type === 'word'
        ? value.type === 'word' && value.word === healthy.word
        : healthy.type === value.type
  return { ...base, distance: right ? 0 : Infinity, finding: right ? 'as it should be' : 'not as it should be' }
}
