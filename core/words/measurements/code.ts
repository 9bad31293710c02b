import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'

export const code: MeasurementWords<MeasurementOf<'code'>> = {
  name: () => 'Read the code shown',
  instruction: () => 'Read the code on the display. Type none when there is none.',
}
