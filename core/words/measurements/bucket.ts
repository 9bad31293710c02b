import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { openedAt, waterPoint } from './pieces'

export const bucket: MeasurementWords<MeasurementOf<'bucket'>> = {
  name: (m, { machine }) => `Bucket test ${waterPoint(machine, m.part)}`,
  instruction: (m, { machine }) =>
    `Close the tap, ${openedAt(machine, m.part)}, hold a bucket under it, open the tap fully and time the litres.`,
}
