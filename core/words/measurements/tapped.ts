import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { signalOf, theTitleOf } from './pieces'

export const tapped: MeasurementWords<MeasurementOf<'tapped'>> = {
  name: (m, { machine }) =>
    `Tap ${theTitleOf(machine, m.part)} while it is called: whether ${signalOf(machine, m.part, m.signal)}`,
  instruction: (m, { machine, when }) =>
    `${when[0].toUpperCase()}${when.slice(1)}: tap ${theTitleOf(machine, m.part)} lightly a few times with an insulated handle, fingers and metal away from its terminals. Yes if then ${signalOf(machine, m.part, m.signal)}. What works only when tapped will fail again.`,
}
