import { varianceOf, type Predictor } from '../predict'
import type { Belief, PlacedReading, Suspect } from './types'

/** Under this remaining probability a link counts as proven. */
export const PROVEN_BELOW = 0.01
/** Above this probability a link counts as faulty. */
export const FAULTY_ABOVE = 0.9

/** Suspects by falling probability: severities of one fault together, healthy as the suspect without faults. */
export function suspects(belief: Belief): Suspect[] {
  const byKey = new Map<string, { suspect: Suspect; best: number }>()
  belief.members.forEach((m, i) => {
    const key = m.activeFaults.map((x) => x.fault.index).join('+')
    const faults = m.activeFaults.map(({ fault, severity }) => ({
      id: fault.id,
      title: fault.title,
      part: fault.part,
      severity,
    }))
    const entry = byKey.get(key)
    if (!entry) byKey.set(key, { suspect: { faults, p: belief.p[i] }, best: belief.p[i] })
    else {
      entry.suspect.p += belief.p[i]
      if (belief.p[i] > entry.best) {
        entry.best = belief.p[i]
        entry.suspect.faults = faults
      }
    }
  })
  return [...byKey.values()].map((e) => e.suspect).sort((a, b) => b.p - a.p)
}

export type LinkState = 'open' | 'proven' | 'suspect' | 'faulty' | 'bypassed'

export interface Link {
  part: number
  /** Remaining probability that one of the part's faults acts. */
  p: number
  /** Probability that one of them comes and goes and rests just now: a good reading clears a part of this moment alone. */
  rests: number
  state: LinkState
}

/**
 * How each part stands. A part is *proven* when its remaining probability is under `PROVEN_BELOW` and the readings
 * speak against its own faults: they are at most half as likely with one of them as with a healthy machine. A part
 * that is merely explained away by another's fault stays `open`.
 *
 * @param jumpers parts with a jumper in
 */
export function links(predictor: Predictor, belief: Belief, jumpers: readonly number[]): Link[] {
  const { machine } = predictor.bench
  const mass = new Float64Array(machine.parts.length)
  const against = new Float64Array(machine.parts.length)
  const weight = new Float64Array(machine.parts.length)
  const rests = new Float64Array(machine.parts.length)
  belief.members.forEach((m, i) => {
    const acting = new Set(m.activeFaults.flatMap((x) => (x.missProbability === undefined ? [x.fault.part] : [])))
    for (const part of new Set(m.activeFaults.map((x) => x.fault.part)))
      (acting.has(part) ? mass : rests)[part] += belief.p[i]
    if (m.activeFaults.length !== 1 || !acting.size) return
    const { part } = m.activeFaults[0].fault
    weight[part] += m.weight
    against[part] += m.weight * Math.exp(Math.min(50, belief.readings[i] - belief.readings[0]))
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
    return { part: index, p, rests: rests[index], state }
  })
}

export interface Verdict {
  test: string
  /** Lower and upper end of what a healthy machine shows, SI; `undefined` for anything but numbers. */
  band: { low: number; high: number } | undefined
  /** Distance from the middle of the band in half widths; 1 is the edge. */
  distance: number
  says:
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
export function judge(predictor: Predictor, reading: PlacedReading): Verdict {
  const { procedure, value, meter, interventions } = reading
  const healthy = predictor.predict(predictor.healthy, procedure, meter, interventions)
  const base = { test: procedure.id, band: undefined, distance: 0 }
  if (value.is === 'could-not') return { ...base, says: 'not taken' }
  if (value.is === 'times') {
    const says = value.clean === value.of ? 'as it should be' : 'not as it should be'
    return { ...base, distance: value.clean === value.of ? 0 : Infinity, says }
  }
  if (healthy.is === 'value') {
    const sd = Math.sqrt(varianceOf(healthy))
    const band = { low: Math.max(0, healthy.mean - 2 * sd), high: healthy.mean + 2 * sd }
    if (value.is === 'open') return { ...base, band, distance: Infinity, says: 'open' }
    if (value.is === 'never') return { ...base, band, distance: Infinity, says: 'never came' }
    if (value.is !== 'value') return { ...base, band, distance: Infinity, says: 'not as it should be' }
    const distance = Math.abs(value.si - healthy.mean) / (2 * sd)
    const says =
      distance <= 0.85
        ? 'as it should be'
        : distance <= 1.25
          ? 'near the edge'
          : value.si < healthy.mean
            ? 'too low'
            : 'too high'
    return { test: procedure.id, band, distance, says }
  }
  if (value.is === 'never')
    return { ...base, distance: Infinity, says: healthy.is === 'never' ? 'as it should be' : 'never came' }
  const right =
    healthy.is === 'sense'
      ? (value.is === 'yes') === healthy.yes > 0.5
      : healthy.is === 'word'
        ? value.is === 'word' && value.word === healthy.word
        : healthy.is === value.is
  return { ...base, distance: right ? 0 : Infinity, says: right ? 'as it should be' : 'not as it should be' }
}
