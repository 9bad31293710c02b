import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { probesAt, terminalOf, theTitleOf } from './pieces'

export const hertz: MeasurementWords<MeasurementOf<'hertz'>> = {
  name: (m, { machine }) => `Frequency at ${theTitleOf(machine, m.part)}`,
  instruction: (m, { machine, meter, when }) =>
    `${probesAt(meter!, terminalOf(machine, m.part, m.a), terminalOf(machine, m.part, m.b))}. Read it ${when}.`,
}
