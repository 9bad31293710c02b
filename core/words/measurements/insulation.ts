import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { capital } from '../capital'
import { theTitleOf, titleOf } from './pieces'

export const insulation: MeasurementWords<MeasurementOf<'insulation'>> = {
  name: (m, { machine }) => `${capital(titleOf(machine, m.part))}: whether it holds 1 MΩ`,
  column: () => 'Whether each in turn holds 1 MΩ',
  instruction: (m, { machine }) =>
    `Isolated and proved dead, live and neutral both off; boards, filters, arresters and low-voltage plugs pulled first. Insulation tester at the test voltage of the tech sheet across ${theTitleOf(machine, m.part)}, nobody touching; discharge it after. Yes if it holds 1 MΩ or more. OL on an ohm meter is no insulation test.`,
}
