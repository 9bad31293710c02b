import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { signalOf, titleOf } from './pieces'
import { testTitle } from './watch'

export const onTime: MeasurementWords<MeasurementOf<'on-time'>> = {
  name: (m, { machine }) => testTitle(machine, m.test),
  instruction: (m, { machine, when }) =>
    `${testTitle(machine, m.test)}, ${when}. Start the watch as soon as ${signalOf(machine, m.part, m.signal)} (${titleOf(machine, m.part)}), stop it when that ends. Say so if it never begins, or goes on to the end.`,
}
