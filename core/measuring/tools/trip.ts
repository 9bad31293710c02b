import { RULE, refused, type Outcome, type Tool } from '../contract'

/** A float or level switch by where it trips and returns: its difference, and whether both lie where its plate has them. */
export const trip: Tool = {
  id: 'trip',
  fields: [
    { id: 'tripped', dimension: 'length', least: 0, most: 5, accuracy: RULE },
    { id: 'returned', dimension: 'length', least: 0, most: 5, accuracy: RULE },
    { id: 'ratedTrip', dimension: 'length', optional: true, least: 0, most: 5, accuracy: { share: 0, step: 0 } },
    { id: 'ratedReturn', dimension: 'length', optional: true, least: 0, most: 5, accuracy: { share: 0, step: 0 } },
    { id: 'within', dimension: 'length', optional: true, above: 0, most: 1, accuracy: { share: 0, step: 0 } },
  ],
  choices: [{ id: 'worked', options: ['as it rises', 'as it falls'] }],
  compute({ values, choices }) {
    const { tripped, returned, ratedTrip, ratedReturn, within = 0.005 } = values as Record<string, number>
    const rises = choices.worked !== 'as it falls'
    // Between the two it stays as it is: the other way round no switch does it.
    if (rises ? returned > tripped : returned < tripped) return refused('returned', 'swapped')
    const outcomes: Outcome[] = [
      {
        id: 'difference',
        dimension: 'length',
        value: Math.abs(tripped - returned),
        formula: rises ? '{tripped} − {returned}' : '{returned} − {tripped}',
      },
    ]
    const means: string[] = [Math.abs(tripped - returned) < 0.002 ? 'no-difference' : 'has-difference']
    const compare = (id: string, value: number, rated: number | undefined, field: string, plate: string) => {
      if (rated === undefined) return
      outcomes.push({ id, dimension: 'length', value: value - rated, formula: `{${field}} − {${plate}}` })
      if (Math.abs(value - rated) > within) means.push(value > rated ? `${field}-high` : `${field}-low`)
    }
    compare('offTrip', tripped, ratedTrip, 'tripped', 'ratedTrip')
    compare('offReturn', returned, ratedReturn, 'returned', 'ratedReturn')
    if (means.length === 1 && (ratedTrip !== undefined || ratedReturn !== undefined)) means.push('where-it-should')
    return { outcomes, means, problems: [] }
  },
}
