import { EXACT, RULE, refused, type Outcome, type Tool } from '../contract'
import { straightLine } from './timed-output'

/** Pa per metre of water at 20 °C: 998.2 kg/m³ × 9.807 m/s². */
const COLUMN = 9789

/** A level sensor by two known heights: what it shows at any level, and which level a figure means. */
export const level: Tool = {
  id: 'level',
  choices: [{ id: 'shows', options: ['V', 'Hz', 'figure'] }],
  fields: [
    { id: 'low', dimension: 'length', least: 0, most: 5, accuracy: RULE },
    { id: 'lowShows', dimension: 'count', accuracy: EXACT },
    { id: 'high', dimension: 'length', least: 0, most: 5, accuracy: RULE },
    { id: 'highShows', dimension: 'count', accuracy: EXACT },
    { id: 'shown', dimension: 'count', optional: true, accuracy: EXACT },
    { id: 'at', dimension: 'length', optional: true, least: 0, most: 5, accuracy: RULE },
  ],
  compute({ values }) {
    const { low, lowShows, high, highShows, shown, at } = values as Record<string, number>
    if (Math.abs(high - low) < 0.005) return refused('high', 'same')
    if (highShows === lowShows) return { outcomes: [], means: ['frozen'], problems: [] }
    const [slope, atZero] = straightLine([
      [low, lowShows],
      [high, highShows],
    ])
    const outcomes: Outcome[] = [
      {
        id: 'slope',
        dimension: 'count',
        value: slope / 1000,
        formula: '({highShows} − {lowShows}) / ({high} − {low}), for each mm',
      },
      { id: 'empty', dimension: 'count', value: atZero, formula: '{lowShows} − {slope} × {low}' },
      { id: 'pressure', dimension: 'pressure', value: COLUMN * high, formula: '9.79 Pa for each mm × {high}' },
    ]
    const means = [slope > 0 ? 'rises' : 'falls']
    if (shown !== undefined)
      outcomes.push({
        id: 'means',
        dimension: 'length',
        reads: true,
        value: (shown - atZero) / slope,
        formula: '({shown} − {empty}) / {slope}',
      })
    if (at !== undefined)
      outcomes.push({
        id: 'expected',
        dimension: 'count',
        value: atZero + slope * at,
        formula: '{empty} + {slope} × {at}',
      })
    return {
      outcomes,
      means,
      problems: [],
      chart: {
        x: { id: 'level', dimension: 'length' },
        y: { id: 'figure', dimension: 'count' },
        points: [
          [low, lowShows],
          [high, highShows],
        ],
        line: [
          [0, atZero],
          [Math.max(low, high) * 1.2, atZero + slope * Math.max(low, high) * 1.2],
        ],
      },
    }
  },
}
