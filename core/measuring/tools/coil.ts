import { EXACT, METER, OHMMETER, THERMOMETER, refused, type Outcome, type Tool } from '../contract'

/** Resistance of copper rises by this share of its value at 20 °C for each kelvin. */
export const COPPER = 0.00393

/** Siblings of one body are wound alike. */
const ALIKE = 0.1
/** Below this share of what it should have a winding is shorted, not merely low. */
const SHORTED = 0.2

const warmed = (celsius: number) => 1 + COPPER * (celsius - 20)

/**
 * A coil: its ohms brought to 20 °C, against its plate and its sibling; how hot it is by its own copper; what it draws held, from its
 * apparent power, and what of its impedance is not copper.
 */
export const coil: Tool = {
  id: 'coil',
  fields: [
    { id: 'ohms', dimension: 'resistance', least: 0, accuracy: OHMMETER },
    { id: 'at', dimension: 'temperature', least: -40, most: 250, accuracy: THERMOMETER },
    { id: 'plate', dimension: 'resistance', optional: true, above: 0, accuracy: { share: 0.1, step: 0 } },
    { id: 'sibling', dimension: 'resistance', optional: true, above: 0, accuracy: OHMMETER },
    { id: 'hot', dimension: 'resistance', optional: true, above: 0, accuracy: OHMMETER },
    { id: 'volts', dimension: 'voltage', optional: true, above: 0, most: 1000, accuracy: METER },
    { id: 'va', dimension: 'power', optional: true, above: 0, most: 1e4, accuracy: EXACT },
  ],
  compute({ values }) {
    const { ohms, at, plate, sibling, hot, volts, va } = values as Record<string, number>
    const cold = ohms / warmed(at)
    const outcomes: Outcome[] = [
      { id: 'cold', dimension: 'resistance', value: cold, formula: '{ohms} / (1 + 0.00393 × ({at} − 20))' },
    ]
    const means: string[] = []
    if (plate !== undefined) {
      outcomes.push({ id: 'off', dimension: 'ratio', value: cold / plate - 1, formula: '{cold} / {plate} − 1' })
      means.push(
        cold < SHORTED * plate ? 'shorted' : cold < 0.85 * plate ? 'low' : cold > 1.2 * plate ? 'high' : 'in-band',
      )
    }
    if (sibling !== undefined) {
      outcomes.push({ id: 'beside', dimension: 'ratio', value: ohms / sibling - 1, formula: '{ohms} / {sibling} − 1' })
      means.push(Math.abs(ohms / sibling - 1) <= ALIKE ? 'like-sibling' : 'unlike-sibling')
    }
    if (hot !== undefined) {
      if (hot < ohms) return refused('hot', 'swapped')
      // R(T) / R(at) is a straight line in T.
      const celsius = 20 + ((hot / ohms) * warmed(at) - 1) / COPPER
      outcomes.push({
        id: 'celsius',
        dimension: 'temperature',
        value: celsius,
        formula: '20 + ({hot} / {cold} − 1) / 0.00393',
      })
      means.push(celsius > 130 ? 'too-hot' : 'warm')
    }
    if (volts !== undefined && va !== undefined) {
      outcomes.push({ id: 'held', dimension: 'current', value: va / volts, formula: '{va} / {volts}' })
      outcomes.push({ id: 'impedance', dimension: 'resistance', value: volts ** 2 / va, formula: '{volts}² / {va}' })
      if (volts ** 2 / va < cold) means.push('direct-current')
      else means.push('not-all-copper')
    }
    return { outcomes, means, problems: [] }
  },
}
