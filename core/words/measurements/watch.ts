import type { Machine } from '../../model/machine'
import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { signalOf, titleOf } from './pieces'

/** The title that a sheet gives to a special test. */
export const testTitle = ({ sheet }: Machine, test: string): string => sheet.tests.find((t) => t.id === test)!.title

export const watch: MeasurementWords<MeasurementOf<'watch'>> = {
  name: (m, { machine }) => testTitle(machine, m.test),
  instruction(m, { machine, when }) {
    const all = m.asks === 'always' ? ' all the while; no as soon as that stops' : ''
    return `${testTitle(machine, m.test)}, ${when}. Yes if ${signalOf(machine, m.part, m.signal)} (${titleOf(machine, m.part)})${all}.`
  },
}
