import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { terminalOf, theTitleOf } from './pieces'

export const amps: MeasurementWords<MeasurementOf<'amps'>> = {
  name: (m, { machine }) =>
    m.at === undefined
      ? `Current of ${theTitleOf(machine, m.part)}${m.when === 'idle' ? ' while not called' : ''}`
      : `Current into ${terminalOf(machine, m.part, m.at)}`,
  instruction: (m, { machine, when }) =>
    m.at !== undefined
      ? `Clamp round the one lead at ${terminalOf(machine, m.part, m.at)}. Read it ${when}.`
      : `Clamp round one lead of ${theTitleOf(machine, m.part)}. Read it ${when}.`,
}
