/** A contact that turned: when, and what was read beside it then, in whatever unit. */
export interface SwitchTurn {
  /** s */
  at: number
  turned: 'opened' | 'closed'
  value: number | undefined
}

/** What a thermostat, a bulb or a float did, as far as it was watched. */
export interface SwitchRecord {
  opened: number
  closed: number
  /** Mean of what was read where it opened and closed; `undefined` where nothing was. */
  opensAt: number | undefined
  closesAt: number | undefined
  /** The least and the most of each: how far it strays. */
  opensWithin: readonly [number, number] | undefined
  closesWithin: readonly [number, number] | undefined
  /** Between the two means. */
  difference: number | undefined
  /** How long it stays closed and open, means of what began and ended, s. */
  closedFor: number | undefined
  openFor: number | undefined
}

const meanOf = (list: readonly number[]): number | undefined =>
  list.length ? list.reduce((a, b) => a + b, 0) / list.length : undefined
const rangeOf = (list: readonly number[]): readonly [number, number] | undefined =>
  list.length ? [Math.min(...list), Math.max(...list)] : undefined

/** @param turns in any order; two of the same kind in a row are one that was not noticed to turn back, and no length lies between them */
export function switchRecord(turns: readonly SwitchTurn[]): SwitchRecord {
  const ordered = [...turns].sort((a, b) => a.at - b.at)
  const valuesOf = (turned: SwitchTurn['turned']) =>
    ordered.flatMap((t) => (t.turned === turned && t.value !== undefined ? [t.value] : []))
  const lengthsOf = (turned: SwitchTurn['turned']) =>
    ordered.flatMap((t, i) => {
      const next = ordered[i + 1]
      return t.turned === turned && next && next.turned !== turned ? [next.at - t.at] : []
    })
  const [opensAt, closesAt] = [meanOf(valuesOf('opened')), meanOf(valuesOf('closed'))]
  return {
    opened: ordered.filter((t) => t.turned === 'opened').length,
    closed: ordered.filter((t) => t.turned === 'closed').length,
    opensAt,
    closesAt,
    opensWithin: rangeOf(valuesOf('opened')),
    closesWithin: rangeOf(valuesOf('closed')),
    difference: opensAt === undefined || closesAt === undefined ? undefined : Math.abs(opensAt - closesAt),
    closedFor: meanOf(lengthsOf('closed')),
    openFor: meanOf(lengthsOf('opened')),
  }
}
