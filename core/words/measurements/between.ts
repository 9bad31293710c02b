import type { Machine } from '../../model/machine'
import type { MeasurementOf, Terminal } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { probesAt, terminalOf } from './pieces'

const pointOf = (machine: Machine, { part, terminal }: Terminal): string => terminalOf(machine, part, terminal)

export const between: MeasurementWords<MeasurementOf<'between'>> = {
  name: (m, { machine }) =>
    `${m.quantity === 'ohms' ? 'Ohms' : 'Volts'} from ${pointOf(machine, m.a)} to ${pointOf(machine, m.b)}`,
  instruction: (m, { machine, meter, when }) =>
    `${probesAt(meter!, pointOf(machine, m.a), pointOf(machine, m.b))}. Read it ${when}.`,
}
