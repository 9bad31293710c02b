import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { theTitleOf } from './pieces'

export const bucket: MeasurementWords<MeasurementOf<'bucket'>> = {
  name: (m, { machine }) => `Bucket test at the end of ${theTitleOf(machine, m.part)}`,
  instruction: (m, { machine }) =>
    `Close the tap, take ${theTitleOf(machine, m.part)} off at the machine, hold it in a bucket, open the tap fully and time the litres.`,
}
