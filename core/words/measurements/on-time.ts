import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { signalOf, theTitleOf } from './pieces'
import { testTitle } from './watch'

export const onTime: MeasurementWords<MeasurementOf<'on-time'>> = {
  name: (m, { machine }) => testTitle(machine, m.test),
  instruction: (m, { machine, when }) =>
    `${testTitle(machine, m.test)}, ${when}. Start the watch when it begins at ${theTitleOf(machine, m.part)}, or at once if it does already: ${signalOf(machine, m.part, m.signal)}. Stop it when that ends. Say so if it never begins, or goes on to the end.`,
}
