import type { Machine, Param } from './types'

/**
 * What makes a winding good, as practitioners differ: inside the published band; or equal to its sibling; or merely
 * not open or shorted; or inside the band that good ones of its kind and voltage lie in.
 */
export const ACCEPTANCES = ['published', 'sibling', 'not-open-or-short', 'kind-band'] as const
export type Acceptance = (typeof ACCEPTANCES)[number]

/** Readings of parts known to be good, by parameter id, SI. */
export type KnownGood = Readonly<Record<string, readonly number[]>>

/** Siblings of one make: how alike they are, and how far the whole batch may lie from the book. Share, one sd. */
const ALIKE = 0.015
const BATCH_SPREAD = 0.2
/** Where no band is believed, a healthy winding lies this far round the book value. Share, one sd. */
const ANYWHERE = 0.3
/** The book counts as much as this many readings of good parts. */
const BOOK_WORTH = 2

/**
 * The machine with the spread that a policy and known-good readings give to its windings. Values stay where nothing
 * is known to move them; nothing else of the machine changes.
 */
export function withAcceptance(machine: Machine, acceptance: Acceptance, knownGood: KnownGood = {}): Machine {
  const values = machine.values.slice()
  const params = machine.params.map((p): Param => ({ ...p }))
  for (const [id, readings] of Object.entries(knownGood)) {
    const p = params.find((x) => x.id === id)
    if (!p || !readings.length) continue
    const n = readings.length
    const mean = (BOOK_WORTH * p.nominal + readings.reduce((s, x) => s + x, 0)) / (BOOK_WORTH + n)
    const spread = readings.reduce((s, x) => s + (x - mean) ** 2, BOOK_WORTH * p.sd ** 2) / (BOOK_WORTH + n)
    p.nominal = values[p.index] = mean
    // Spread from part to part, and what is still unknown of the middle.
    p.sd = Math.sqrt(spread * (1 + 1 / (BOOK_WORTH + n)))
  }
  const groups: number[][] = []
  if (acceptance !== 'published') {
    const windings = machine.parts.flatMap((part) =>
      (machine.kinds[part.index].windings ?? []).map((name) => ({
        kind: part.kind,
        name,
        index: part.param[name],
        bands: machine.kinds[part.index].windingBands ?? [],
      })),
    )
    for (const w of windings) {
      const p = params[w.index]
      if (knownGood[p.id]?.length) continue
      const band = w.bands.find(([low, high]) => p.nominal >= low && p.nominal <= high)
      if (acceptance === 'kind-band' && band) {
        // The band is two standard deviations round its middle; a good part may lie anywhere in it.
        p.nominal = values[p.index] = (band[0] + band[1]) / 2
        p.sd = Math.max(p.sd, (band[1] - band[0]) / 4)
        continue
      }
      if (acceptance !== 'sibling') {
        p.sd = Math.max(p.sd, ANYWHERE * p.nominal)
        continue
      }
      const siblings = windings.filter(
        (o) =>
          o.kind === w.kind && o.name === w.name && machine.params[o.index].nominal === machine.params[w.index].nominal,
      )
      if (siblings.length < 2) continue
      if (siblings[0] === w) groups.push(siblings.map((o) => o.index))
      p.sd = ALIKE * p.nominal
      p.sharedSpread = { group: groups.length - 1, sd: BATCH_SPREAD * p.nominal }
    }
  }
  return { ...machine, values, params, spreadGroups: groups.length }
}
