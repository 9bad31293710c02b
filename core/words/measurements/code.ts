import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'

export const code: MeasurementWords<MeasurementOf<'code'>> = {
  name: () => 'Read the code shown',
  instruction: (_, { when }) => `Read the code on the display, ${when}. Type none when there is none.`,
}
