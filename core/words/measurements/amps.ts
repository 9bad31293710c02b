import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { titleOf } from './pieces'

export const amps: MeasurementWords<MeasurementOf<'amps'>> = {
  name: (m, { machine }) => `Current of the ${titleOf(machine, m.part)}${m.when === 'idle' ? ' while not called' : ''}`,
  instruction: (m, { machine, when }) => `Clamp round one lead of the ${titleOf(machine, m.part)}. Read it ${when}.`,
}
