import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { probesOn, titleOf } from './pieces'

export const ohms: MeasurementWords<MeasurementOf<'ohms'>> = {
  name: (m, { machine }) => `Ohms of the ${titleOf(machine, m.part)}`,
  instruction: (m, { machine, meter }) =>
    `Take the leads off the ${titleOf(machine, m.part)}. ${probesOn(machine, meter!, m)}.`,
}
