import type { MeasurementOf } from '../../simulation/measurements'
import { describeBench } from '../describe-bench'
import type { MeasurementWords } from './contract'
import { capital } from '../capital'
import { theTitleOf, titleOf } from './pieces'

const NAMES: Record<MeasurementOf<'bench'>['check'], string> = {
  heated: 'warm it on the bench, a thermometer beside it',
  cup: 'pour a measured cup into its tray',
  air: 'try it on the bench with air',
}
/** What has to be off for it. */
const OFF: Record<MeasurementOf<'bench'>['check'], (it: string) => string> = {
  heated: (it) => `Isolated, leads of ${it} off, the part itself out where it cannot be warmed in its place. `,
  cup: () => 'Isolated, the meter across it. ',
  air: (it) => `Tap shut, pressure out, leads and joint of ${it} off. `,
}

export const bench: MeasurementWords<MeasurementOf<'bench'>> = {
  name: (m, { machine }) => `${capital(titleOf(machine, m.part))}: ${NAMES[m.check]}`,
  instruction: (m, { machine }) =>
    `${OFF[m.check](theTitleOf(machine, m.part))}${m.shows ? describeBench(m.shows) : ''} Yes if it does all of that.`,
}
