import { THERMOMETER, OHMMETER, type Outcome, type Tool } from '../contract'

/** Conductivity of natural water rises by about this share of its value at 25 °C for each kelvin (ISO 7888, near 25 °C). */
const PER_KELVIN = 0.02
/** S/m: below this usual probes do not see water. */
const TOO_PURE = 5e-3

/** What water conducts, brought to 25 °C, and what a probe that is known in one water shows in another. */
export const water: Tool = {
  id: 'water',
  fields: [
    { id: 'measured', dimension: 'conductivity', above: 0, most: 10, accuracy: { share: 0.03, step: 0 } },
    { id: 'at', dimension: 'temperature', least: 0, most: 100, accuracy: THERMOMETER },
    { id: 'probe', dimension: 'resistance', optional: true, above: 0, accuracy: OHMMETER },
    { id: 'known', dimension: 'conductivity', optional: true, above: 0, most: 10, accuracy: { share: 0.05, step: 0 } },
  ],
  compute({ values }) {
    const { measured, at, probe, known } = values as Record<string, number>
    const at25 = measured / (1 + PER_KELVIN * (at - 25))
    const outcomes: Outcome[] = [
      { id: 'at25', dimension: 'conductivity', value: at25, formula: '{measured} / (1 + 0.02 × ({at} − 25))' },
    ]
    const means = [measured < TOO_PURE ? 'too-pure' : 'conducts']
    if (probe !== undefined && known !== undefined)
      outcomes.push({
        id: 'there',
        dimension: 'resistance',
        value: (probe * known) / measured,
        formula: '{probe} × {known} / {measured}',
      })
    return { outcomes, means, problems: [] }
  },
}
