import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { capital } from '../capital'
import { theTitleOf, titleOf } from './pieces'

export const connection: MeasurementWords<MeasurementOf<'connection'>> = {
  name: (m, { machine }) =>
    m.medium === 'ports'
      ? `${capital(titleOf(machine, m.part))}: look whether it hangs where it belongs`
      : `${capital(titleOf(machine, m.part))}: look whether it sits where its colour, mark or number says`,
  instruction: (m, { machine }) =>
    m.medium === 'ports'
      ? `Follow ${theTitleOf(machine, m.part)} from end to end. Yes if it leads where it should.`
      : `Compare ${theTitleOf(machine, m.part)} with the diagram and with the marks on it. Yes if it sits in its own place.`,
}
