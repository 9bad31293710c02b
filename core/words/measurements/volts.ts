import type { MeasurementOf } from '../../simulation/measurements'
import type { MeasurementWords } from './contract'
import { probesOn, returnOf, terminalCount, titleOf, withArticle } from './pieces'

export const volts: MeasurementWords<MeasurementOf<'volts'>> = {
  name(m, { machine }) {
    const title = titleOf(machine, m.part)
    if (m.b === '@return') {
      const side = Object.keys(machine.parts[m.part].nodes)[0] === m.a ? 'before' : 'behind'
      return `Volts ${side} ${withArticle(title)}, to the ${returnOf(machine, m.part, m.a)}`
    }
    if (m.id === 'idle-contact') return `Volts across the contact of ${withArticle(title)} while not called`
    if (m.when === 'idle') return `Volts at ${withArticle(title)} while not called`
    // Across a contact, at a load.
    const where = m.id === 'across' || m.id === 'contact' ? 'across' : 'at'
    return `Volts ${where} ${withArticle(title)}${terminalCount(machine, m.part) > 2 ? ` (${m.a}–${m.b})` : ''}`
  },
  column(m, { machine }) {
    if (m.b === '@return') return `Volts to the ${returnOf(machine, m.part, m.a)} from point to point`
    const where = m.id === 'across' || m.id === 'contact' || m.id === 'idle-contact' ? 'across' : 'at'
    return `Volts ${where} each in turn${m.when === 'idle' ? ', not called' : ''}`
  },
  instruction: (m, { machine, meter, when }) => `${probesOn(machine, meter!, m)}. Read it ${when}.`,
}
