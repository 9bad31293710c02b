import type { Machine } from '../../model/machine'
import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { terminalCount, theTitleOf, titleOf, withArticle } from './pieces'

/** What of a part gives when it is bent: a plug itself, of a wire its ends. */
const jointsOf = (machine: Machine, part: number): string =>
  terminalCount(machine, part) > 2 ? titleOf(machine, part) : `joints of ${theTitleOf(machine, part)}`

export const worked: MeasurementWords<MeasurementOf<'worked'>> = {
  name(m, { machine, timesWorked: n }) {
    if (m.provoked === 'flexed') return `Flex the ${jointsOf(machine, m.part)}, ${n} times`
    const title = titleOf(machine, m.part)
    return m.provoked === 'warmed'
      ? `Warm ${withArticle(title)}, its ohms looked at ${n} times`
      : `Work ${withArticle(title)} ${n} times`
  },
  instruction(m, { machine, timesWorked: n }) {
    const title = titleOf(machine, m.part)
    if (m.provoked === 'flexed')
      return `Meter on ohms across ${withArticle(title)}, nothing taken off. Bend and pull the ${jointsOf(machine, m.part)} gently ${n} times or more and watch the meter. Write how many of how many times it stayed low, such as ${n}/${n}.`
    if (m.provoked === 'warmed')
      return `Take the leads off ${withArticle(title)}, meter on ohms across it, and warm it with a hair dryer for some minutes, no hotter than a hand bears. Look at the meter ${n} times. Write how many of how many times it had stayed as it was, such as ${n}/${n}.`
    return `Take the leads off ${withArticle(title)}, meter on the beeper, and work it ${n} times or more. Write how many of how many times it made and broke as it should, such as ${n}/${n}.`
  },
}
