import type { Sense } from '../../model/kinds'
import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { capital } from '../capital'
import { handWork, signalOf, theTitleOf, titleOf, withArticle } from './pieces'

/** What each sense does, as a verb. */
const VERBS: Record<Sense, string> = { ear: 'listen', eye: 'look', hand: 'feel' }

export const sense: MeasurementWords<MeasurementOf<'sense'>> = {
  name(m, { machine }) {
    const hand = m.held ? `, ${handWork(machine, m.part, m.held)}` : ''
    const leads = m.leadsOf === undefined ? '' : `, its leads changed with those of ${theTitleOf(machine, m.leadsOf)}`
    return `${capital(titleOf(machine, m.part))}${hand}${leads}: ${VERBS[m.sense]} whether ${signalOf(machine, m.part, m.signal)}`
  },
  instruction(m, { machine, when, atMoment, inProgram }) {
    const [title, signal] = [titleOf(machine, m.part), signalOf(machine, m.part, m.signal)]
    if (m.held)
      return `${inProgram ? capital(when) : 'Water on, no program'}: ${handWork(machine, m.part, m.held)} at ${withArticle(title)}. Yes if ${signal}. Put it back as it was after.`
    if (m.leadsOf !== undefined)
      return `Mark the leads of ${withArticle(title)} and of ${theTitleOf(machine, m.leadsOf)}, put each on the other while it is dead, power up, hands away. ${capital(VERBS[m.sense])} ${when}. Yes if ${signal}: then its own leads bring nothing. Isolate and put them back as marked.`
    if (m.underPressure && !inProgram)
      return `${capital(when)}, the water on: ${VERBS[m.sense]} where the water of ${withArticle(title)} would run in. Yes if ${signal}.`
    return `${capital(VERBS[m.sense])} at ${withArticle(title)}${atMoment ? ` ${when}` : ''}. Yes if ${signal}.`
  },
}
