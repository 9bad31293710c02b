import type { Machine } from '../../model/machine'
import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { signalOf, titleOf } from './pieces'

const nameOf = ({ sheet }: Machine, test: string): string => sheet.tests.find((t) => t.id === test)!.title

export const watch: MeasurementWords<MeasurementOf<'watch'>> = {
  name: (m, { machine }) => nameOf(machine, m.test),
  instruction: (m, { machine, when }) =>
    `${nameOf(machine, m.test)}, ${when}. Yes if the ${titleOf(machine, m.part)} does it: ${signalOf(machine, m.part, m.signal)}.`,
}
