import type { Belief, Suspect } from './types'

/** Suspects by falling probability: severities of one fault together, healthy as the suspect without faults. */
export function suspects(belief: Belief): Suspect[] {
  const byKey = new Map<string, { suspect: Suspect; best: number }>()
  belief.hypotheses.forEach((m, i) => {
    const p = belief.posterior[i]
    const key = m.activeFaults.map((x) => x.fault.index).join('+')
    const faults = m.activeFaults.map(({ fault, severity }) => ({
      id: fault.id,
      title: fault.title,
      part: fault.part,
      severity,
    }))
    const entry = byKey.get(key)
    if (!entry) byKey.set(key, { suspect: { faults, p }, best: p })
    else {
      entry.suspect.p += p
      if (p > entry.best) {
        entry.best = p
        entry.suspect.faults = faults
      }
    }
  })
  return [...byKey.values()].map((e) => e.suspect).sort((a, b) => b.p - a.p)
}
