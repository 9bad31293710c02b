import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { capital } from '../capital'
import { signalOf, theTitleOf, titleOf } from './pieces'

export const throttled: MeasurementWords<MeasurementOf<'throttled'>> = {
  name: (m, { machine }) => `${capital(titleOf(machine, m.part))} at low pressure: look whether it still shuts off`,
  instruction(m, { machine, when, inProgram }) {
    const look = inProgram ? `Look ${when}` : 'Switch off, with dry hands, and look'
    return `While ${theTitleOf(machine, m.part)} is called, turn the water down at its stop until it only just runs. ${look}. Yes if ${signalOf(machine, m.part, m.signal)} all the same. Eyes on the level; open the stop again after.`
  },
}
