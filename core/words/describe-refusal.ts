import type { Refusal, RefusalCode } from '../job'
import { describeProblem } from './describe-problem'
import { LOCALE, type Locale } from './locale'

const REFUSED: Record<Locale, Record<RefusalCode, string>> = {
  en: {
    'make-safe-first': 'Make it safe first: the safety steps before this are not all confirmed.',
    'hands-in': 'Power stays off until everybody has said that their hands are out.',
    'bypass-in': 'A jumper is still in, or a lead still off. Put it right before the job is closed.',
    'still-off': 'Something is still disconnected. Put it back first.',
    'clips-in': 'Meter clips are still in it. Isolate, take them off, then leave.',
    unproven: 'The repair is not proven yet.',
    'not-decided': 'Decide on a repair first: it says what has to be proved.',
    'no-cycle': 'A cycle is proved by a program that was watched to its end after the decision.',
    'unsafe-unfinished':
      'Out of service means isolated, tagged, photographed, warned of in writing, and signed for or refused. Something of it is missing.',
    'photo-missing': 'The photo itself has not arrived. Take it again.',
    closed: 'This job is closed. Reopen it to go on.',
    'not-opened': 'This job has not been opened.',
    'opened-twice': 'This job is open already.',
    'no-live-work': 'Live work is not for a trainee: somebody trained for it takes this.',
    'read-only': 'You may look at jobs and not write into them.',
    'unknown-name': 'This names something that the sheet or the job does not have.',
    'bad-reading': 'This reading is not understood.',
    'not-retractable': 'This cannot be taken back: it is not there, or it changed the machine.',
    'wrong-shape': 'Part of this entry is missing or has the wrong form.',
    'too-large': 'This entry is too large to be kept.',
    'id-taken': 'Another entry has this number already.',
    'unknown-unit': 'This machine is not known here.',
    'unknown-revision': 'This state of the sheet is not known here.',
  },
}

/** The sentence for a refused entry, with what is wrong where that is known. */
export function describeRefusal({ code, names, problems }: Refusal, locale: Locale = LOCALE): string {
  if (code === 'hands-in' && names?.length)
    return `Power stays off: ${names.join(' and ')} ${names.length > 1 ? 'have' : 'has'} hands in the machine and must say that they are out.`
  if (code === 'still-off' && names?.length) return `Still off: ${names.join(', ')}. Put it back first.`
  if (code === 'unproven' && names?.length) return `Not proven yet: ${names.join('; ')}.`
  return problems?.length ? problems.map((p) => describeProblem(p, locale)).join(' ') : REFUSED[locale][code]
}
