import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { capital } from '../capital'
import { signalOf, theTitleOf } from './pieces'
import { testTitle } from './watch'

export const display: MeasurementWords<MeasurementOf<'display'>> = {
  name: (m, { machine }) =>
    m.test
      ? testTitle(machine, m.test)
      : `${capital(signalOf(machine, m.part, m.signal))} at ${theTitleOf(machine, m.part)}`,
  instruction(m, { machine, when }) {
    const signal = signalOf(machine, m.part, m.signal)
    return m.by
      ? `With the ${m.by.replace('-', ' ')}: ${signal} at ${theTitleOf(machine, m.part)}. Read it ${when}.`
      : `Read ${signal} off the display ${when}.`
  },
}
