import type { Machine } from '../../model/machine'
import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { terminalCount, titleOf } from './pieces'

/** What of a part gives when it is bent: a plug itself, of a wire its ends. */
const jointsOf = (machine: Machine, part: number): string =>
  terminalCount(machine, part) > 2 ? titleOf(machine, part) : `joints of the ${titleOf(machine, part)}`

export const worked: MeasurementWords<MeasurementOf<'worked'>> = {
  name: (m, { machine, timesWorked }) =>
    m.flexed
      ? `Flex the ${jointsOf(machine, m.part)}, ${timesWorked} times`
      : `Work the ${titleOf(machine, m.part)} ${timesWorked} times`,
  instruction: (m, { machine, timesWorked: n }) =>
    m.flexed
      ? `Meter on ohms across the ${titleOf(machine, m.part)}, nothing taken off. Bend and pull the ${jointsOf(machine, m.part)} gently ${n} times or more and watch the meter. Write how many of how many times it stayed low, such as ${n}/${n}.`
      : `Take the leads off the ${titleOf(machine, m.part)}, meter on the beeper, and work it ${n} times or more. Write how many of how many times it made and broke as it should, such as ${n}/${n}.`,
}
