import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { probesAt, terminalOf, titleOf } from './pieces'

export const hertz: MeasurementWords<MeasurementOf<'hertz'>> = {
  name: (m, { machine }) => `Frequency at the ${titleOf(machine, m.part)}`,
  instruction: (m, { machine, meter, when }) =>
    `${probesAt(meter!, terminalOf(machine, m.part, m.a), terminalOf(machine, m.part, m.b))}. Read it ${when}.`,
}
