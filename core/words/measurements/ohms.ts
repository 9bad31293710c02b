import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { capital } from '../capital'
import { handWork, probesOn, returnOf, theTitleOf } from './pieces'

export const ohms: MeasurementWords<MeasurementOf<'ohms'>> = {
  name: (m, { machine }) =>
    m.b === '@return'
      ? `Ohms from ${theTitleOf(machine, m.part)} to the ${returnOf(machine, m.part, m.a)}, all that hangs on it`
      : `Ohms of ${theTitleOf(machine, m.part)}${m.held ? `, ${handWork(machine, m.part, m.held)}` : ''}`,
  column: (m, { machine }) =>
    m.b === '@return' ? `Ohms to the ${returnOf(machine, m.part, m.a)} from each in turn` : 'Ohms of each in turn',
  instruction: (m, { machine, meter }) =>
    m.b === '@return'
      ? `At the plug of the control, nothing taken off further on. ${probesOn(machine, meter!, m)}.`
      : `Take the leads off ${theTitleOf(machine, m.part)}. ${m.held ? `${capital(handWork(machine, m.part, m.held))}. ` : ''}${probesOn(machine, meter!, m)}.`,
}
