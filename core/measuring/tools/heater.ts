import { CLAMP, EXACT, METER, OHMMETER, type Outcome, type Tool } from '../contract'

/** More than this between what an element draws and what it should, and it is not the meters. */
const APART = 0.1

/**
 * A heater by its plate: R = V²/P. At the volts measured at the element it draws V/R; a supply 7 % low gives 7 % less current
 * and 13.5 % less power.
 */
export const heater: Tool = {
  id: 'heater',
  fields: [
    { id: 'rated', dimension: 'voltage', above: 0, most: 1000, accuracy: EXACT },
    { id: 'watts', dimension: 'power', above: 0, most: 1e6, accuracy: { share: 0.05, step: 0 } },
    { id: 'volts', dimension: 'voltage', optional: true, above: 0, most: 1000, accuracy: METER },
    { id: 'amps', dimension: 'current', optional: true, least: 0, most: 1000, accuracy: CLAMP },
    { id: 'ohms', dimension: 'resistance', optional: true, above: 0, accuracy: OHMMETER },
  ],
  compute({ values }) {
    const { rated, watts, volts, amps, ohms } = values as Record<string, number>
    const nominal = rated ** 2 / watts
    const outcomes: Outcome[] = [
      { id: 'nominal', dimension: 'resistance', value: nominal, formula: '{rated}² / {watts}' },
      {
        id: 'current',
        dimension: 'current',
        value: (volts ?? rated) / nominal,
        formula: `{${volts === undefined ? 'rated' : 'volts'}} / {nominal}`,
      },
    ]
    if (volts !== undefined)
      outcomes.push({ id: 'power', dimension: 'power', value: volts ** 2 / nominal, formula: '{volts}² / {nominal}' })
    const means: string[] = []
    const judge = (share: number, low: string, high: string) =>
      means.push(Math.abs(share - 1) <= APART ? 'as-it-should' : share < 1 ? low : high)
    if (amps !== undefined) {
      const expected = (volts ?? rated) / nominal
      outcomes.push({ id: 'share', dimension: 'ratio', value: amps / expected, formula: '{amps} / {current}' })
      if (amps === 0) means.push('open')
      else if (volts === undefined) means.push('volts-first')
      else judge(amps / expected, 'draws-little', 'draws-much')
    }
    if (ohms !== undefined) {
      outcomes.push({ id: 'apart', dimension: 'ratio', value: ohms / nominal - 1, formula: '{ohms} / {nominal} − 1' })
      if (amps === undefined) judge(ohms / nominal, 'ohms-low', 'ohms-high')
    }
    return { outcomes, means, problems: [] }
  },
}
