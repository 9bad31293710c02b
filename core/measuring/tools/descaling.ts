import { EXACT, type Outcome, type Tool } from '../contract'

/** kg of lime for each m³ of water and degree: 1 °dH is 17.85 g/m³ of CaCO₃, 1 gpg 17.12 g/m³, 1 °f 10 g/m³. */
const HARDNESS: Readonly<Record<string, number>> = { '°dH': 17.85e-3, gpg: 17.12e-3, '°f': 10e-3, ppm: 1e-3 }
/** Share of the hardness that falls out as the water is heated or frozen. */
const FALLS_OUT = 0.6
/** kg of lime at which it is time. */
const TIME_TO_DESCALE = 0.05

/** Lime that a machine collects, and how often it is time to descale it; how a concentrate is mixed. */
export const descaling: Tool = {
  id: 'descaling',
  choices: [{ id: 'in', options: Object.keys(HARDNESS) }],
  fields: [
    { id: 'hardness', dimension: 'count', least: 0, most: 2000, accuracy: { share: 0.1, step: 0 } },
    { id: 'daily', dimension: 'volume', above: 0, most: 10, accuracy: { share: 0.1, step: 0 } },
    { id: 'parts', dimension: 'count', optional: true, above: 0, most: 1000, accuracy: EXACT },
    { id: 'bath', dimension: 'volume', optional: true, above: 0, most: 1, accuracy: EXACT },
  ],
  compute({ values, choices }) {
    const { hardness, daily, parts, bath } = values as Record<string, number>
    const perDay = hardness * (HARDNESS[choices.in ?? ''] ?? HARDNESS['°dH']!) * daily * FALLS_OUT
    const outcomes: Outcome[] = [
      {
        id: 'lime',
        dimension: 'count',
        value: perDay * 30 * 1000,
        formula: '{hardness} × g/m³ × {daily} a day × 0.6 × 30 days, g',
      },
    ]
    const means: string[] = []
    if (perDay > 0) {
      outcomes.push({
        id: 'days',
        dimension: 'count',
        value: TIME_TO_DESCALE / perDay,
        formula: '50 g / ({lime} / 30), days',
      })
      means.push(TIME_TO_DESCALE / perDay < 60 ? 'often' : 'seldom')
    } else means.push('soft')
    if (parts !== undefined && bath !== undefined)
      outcomes.push({
        id: 'concentrate',
        dimension: 'volume',
        value: bath / (parts + 1),
        formula: '{bath} / ({parts} + 1)',
      })
    return { outcomes, means, problems: [] }
  },
}
