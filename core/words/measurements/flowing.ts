import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { theTitleOf } from './pieces'

export const flowing: MeasurementWords<MeasurementOf<'flowing'>> = {
  name: (m, { machine }) =>
    m.of === 'pressure'
      ? `Flowing pressure at ${theTitleOf(machine, m.part)}`
      : `Flow of ${theTitleOf(machine, m.part)} by the water meter`,
  instruction: (m, { when }) =>
    m.of === 'pressure'
      ? `Screw the gauge on the next tap of the same line, open that tap, and read ${when}. Nothing else may run.`
      : `Nothing else may run. Read the water meter, wait one minute ${when}, read it again: the litres between.`,
}
