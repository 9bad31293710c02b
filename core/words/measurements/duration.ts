import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'

export const duration: MeasurementWords<MeasurementOf<'duration'>> = {
  name: (m, { machine }) => `Time the phase ${machine.phases[m.phase].title}`,
  instruction: (m, { machine }) =>
    `Start the watch when ${machine.phases[m.phase].title} begins, stop it when it ends. Say so if it never begins, or begins and never ends.`,
}
