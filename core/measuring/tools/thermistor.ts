import { OHMMETER, EXACT, THERMOMETER, refused, type Outcome, type Tool } from '../contract'

const KELVIN = 273.15

/** Ohms by one point and beta. @param celsius of the bead @param ohms25 at 25 °C @param beta K */
export const betaOhms = (celsius: number, ohms25: number, beta: number): number =>
  ohms25 * Math.exp(beta * (1 / (celsius + KELVIN) - 1 / (25 + KELVIN)))

/** °C at which a bead of one point and beta has so many ohms. */
export const betaCelsius = (ohms: number, ohms25: number, beta: number): number =>
  1 / (1 / (25 + KELVIN) + Math.log(ohms / ohms25) / beta) - KELVIN

/**
 * The three coefficients of 1/T = A + B·ln R + C·(ln R)³ (Steinhart & Hart 1968) through three points, by divided differences.
 *
 * @param points ohms and °C, three, all ohms and all temperatures different
 */
export function threePointFit(points: readonly (readonly [ohms: number, celsius: number])[]): [number, number, number] {
  const [l1, l2, l3] = points.map(([ohms]) => Math.log(ohms)) as [number, number, number]
  const [y1, y2, y3] = points.map(([, celsius]) => 1 / (celsius + KELVIN)) as [number, number, number]
  const [g2, g3] = [(y2 - y1) / (l2 - l1), (y3 - y1) / (l3 - l1)]
  const c = (g3 - g2) / (l3 - l2) / (l1 + l2 + l3)
  const b = g2 - c * (l1 ** 2 + l1 * l2 + l2 ** 2)
  return [y1 - (b + l1 ** 2 * c) * l1, b, c]
}

/** More than this between bead and thermometer is neither the clip nor the meters, K; half of it is worth a look at the clip. */
const APART = 4

/** A thermistor both ways: ohms expected at the thermometer's temperature, temperature by its ohms, beta by two points. */
export const thermistor: Tool = {
  id: 'thermistor',
  fields: [
    { id: 'ohms25', dimension: 'resistance', above: 0, accuracy: { share: 0.02, step: 0 } },
    { id: 'beta', dimension: 'kelvin', least: 500, most: 10000, accuracy: EXACT },
    { id: 'ohms', dimension: 'resistance', optional: true, above: 0, accuracy: OHMMETER },
    { id: 'celsius', dimension: 'temperature', optional: true, least: -60, most: 300, accuracy: THERMOMETER },
    { id: 'lead', dimension: 'resistance', optional: true, least: 0, accuracy: OHMMETER },
  ],
  compute({ values }) {
    const { ohms25, beta, ohms, celsius, lead = 0 } = values as Record<string, number>
    const outcomes: Outcome[] = []
    const means: string[] = []
    if (ohms !== undefined && ohms <= lead) return refused('lead', 'contradicts')
    if (celsius !== undefined)
      outcomes.push({
        id: 'expected',
        dimension: 'resistance',
        value: betaOhms(celsius, ohms25, beta) + lead,
        formula: `{ohms25} × e^({beta} × (1 / ({celsius} + 273.15) − 1 / 298.15))${lead ? ' + {lead}' : ''}`,
      })
    if (ohms !== undefined)
      outcomes.push({
        id: 'felt',
        dimension: 'temperature',
        reads: true,
        value: betaCelsius(ohms - lead, ohms25, beta),
        formula: `1 / (1 / 298.15 + ln(${lead ? '({ohms} − {lead})' : '{ohms}'} / {ohms25}) / {beta}) − 273.15`,
      })
    if (ohms !== undefined && celsius !== undefined) {
      const apart = betaCelsius(ohms - lead, ohms25, beta) - celsius
      outcomes.push({ id: 'apart', dimension: 'kelvin', value: apart, formula: '{felt} − {celsius}' })
      means.push(Math.abs(apart) <= APART / 2 ? 'agrees' : Math.abs(apart) <= APART ? 'look-at-clip' : 'disagrees')
    }
    return { outcomes, means, problems: [] }
  },
}

/** Points that lie closer than this tell no curve, K. */
const CLOSEST = 2

/** A curve of one's own from three measured points, for a bead whose figures nobody has. */
export const beadCurve: Tool = {
  id: 'bead-curve',
  fields: [1, 2, 3].flatMap((n) => [
    { id: `ohms${n}`, dimension: 'resistance' as const, above: 0, accuracy: OHMMETER },
    { id: `celsius${n}`, dimension: 'temperature' as const, least: -60, most: 300, accuracy: THERMOMETER },
  ]),
  compute({ values }) {
    const points = [1, 2, 3].map((n) => [values[`ohms${n}`]!, values[`celsius${n}`]!] as const)
    const order = [0, 1, 2].toSorted((i, j) => points[i]![1] - points[j]![1])
    for (const [k, i] of order.slice(0, 2).entries()) {
      const next = order[k + 1]!
      // Of two that do not go together the one entered later is asked about.
      const field = Math.max(i, next) + 1
      if (points[next]![1] - points[i]![1] < CLOSEST) return refused(`celsius${field}`, 'same')
      if (points[next]![0] >= points[i]![0]) return refused(`ohms${field}`, 'contradicts')
    }
    const sorted = order.map((i) => points[i]!)
    const [a, b, c] = threePointFit(points)
    const at = (celsius: number): number => {
      let [low, high] = [0, 20]
      for (let i = 0; i < 80; i++) {
        const mid = (low + high) / 2
        if (a + b * mid + c * mid ** 3 < 1 / (celsius + KELVIN)) low = mid
        else high = mid
      }
      return Math.exp((low + high) / 2)
    }
    const [cold, , hot] = sorted as [readonly [number, number], unknown, readonly [number, number]]
    const beta = Math.log(cold[0] / hot[0]) / (1 / (cold[1] + KELVIN) - 1 / (hot[1] + KELVIN))
    const span = [cold[1] - 10, hot[1] + 10] as const
    return {
      outcomes: [
        {
          id: 'ohms25',
          dimension: 'resistance',
          value: at(25),
          formula: 'the curve 1/T = A + B ln R + C (ln R)³ through the three points, at 25 °C',
        },
        { id: 'beta', dimension: 'kelvin', value: beta, formula: 'ln(R cold / R hot) / (1 / T cold − 1 / T hot)' },
      ],
      means: ['curve'],
      problems: [],
      chart: {
        x: { id: 'celsius', dimension: 'temperature' },
        y: { id: 'ohms', dimension: 'resistance' },
        points: points.map(([ohms, celsius]) => [celsius, ohms] as const),
        line: Array.from({ length: 41 }, (_, i) => {
          const celsius = span[0] + ((span[1] - span[0]) * i) / 40
          return [celsius, at(celsius)] as const
        }),
      },
    }
  },
}
