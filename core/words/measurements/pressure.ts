import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { theTitleOf } from './pieces'

export const pressure: MeasurementWords<MeasurementOf<'pressure'>> = {
  name: (m, { machine }) => `Pressure at the end of ${theTitleOf(machine, m.part)}`,
  instruction: (m, { machine }) =>
    `Close the tap, take ${theTitleOf(machine, m.part)} off at the machine, screw the gauge on, open the tap slowly and read.`,
}
