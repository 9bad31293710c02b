import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { openedAt, waterPoint } from './pieces'

export const pressure: MeasurementWords<MeasurementOf<'pressure'>> = {
  name: (m, { machine }) => `Pressure ${waterPoint(machine, m.part)}`,
  instruction: (m, { machine }) =>
    `Close the tap, ${openedAt(machine, m.part)}, screw the gauge on, open the tap slowly and read.`,
}
