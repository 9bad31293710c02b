import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { titleOf } from './pieces'

export const worked: MeasurementWords<MeasurementOf<'worked'>> = {
  name: (m, { machine, timesWorked }) =>
    `${m.flexed ? 'Flex' : 'Work'} the ${titleOf(machine, m.part)} ${timesWorked} times`,
  instruction: (m, { machine, timesWorked: n }) =>
    m.flexed
      ? `Meter on ohms across the ${titleOf(machine, m.part)}, nothing taken off. Bend and pull it gently ${n} times or more and watch the meter. Write how many of how many times it stayed low, such as ${n}/${n}.`
      : `Take the leads off the ${titleOf(machine, m.part)}, meter on the beeper, and work it ${n} times or more. Write how many of how many times it made and broke as it should, such as ${n}/${n}.`,
}
