import type { Problem, ProblemCode } from '../foundation/issues'
import { LOCALE, type Locale } from './locale'

const LEAD: Record<Locale, Record<ProblemCode, string>> = {
  en: {
    'not-yaml': 'This is not readable as YAML',
    'wrong-shape': 'This has the wrong shape',
    'unknown-field': 'This field is not known here',
    'unknown-kind': 'There is no such kind of part',
    'unknown-param': 'This kind of part has no such value',
    'unknown-part': 'No part has this name',
    'unknown-terminal': 'This part has no such terminal',
    'unknown-phase': 'No phase has this name',
    'unknown-signal': 'This part gives no such signal',
    'unknown-fault': 'No fault has this name',
    'unknown-test': 'No test has this name',
    'unknown-complaint': 'No complaint has this name',
    'unknown-circumstance': 'Nothing that is asked of the days before has this name',
    'unknown-program': 'No program has this name',
    'unknown-action': 'No action has this name',
    'unknown-sheet': 'No sheet has this name',
    'extends-itself': 'A sheet cannot extend itself',
    'bad-quantity': 'This is not a quantity',
    'wrong-dimension': 'This is a quantity of the wrong kind',
    'out-of-range': 'This value is out of range',
    'bad-condition': 'This condition cannot be read',
    'bad-reading': 'This reading is not understood',
    'no-exit': 'This phase can never end',
    'in-no-chain': 'This part is joined to nothing',
    'no-way-back': 'There is no way back to the supply',
    'dead-short': 'The supply is shorted',
    'shorted-part': 'Both ends of this part are at one point',
    'never-begins': 'The control never begins',
    'never-ends': 'The healthy machine never leaves this phase',
    'never-reached': 'No run comes to this phase, healthy or broken',
    'never-runs': 'The moment of this test never comes',
    'never-complained': 'No fault leads to this complaint',
    'no-hysteresis': 'This switches on and off at one point',
    missing: 'Something is missing',
    ambiguous: 'This can be read in two ways',
    duplicate: 'This name is used twice',
    'limit-reached': 'A limit was reached',
    'floating-node': 'A point of the circuit hangs in the air',
    'live-part': 'An ohmmeter is never put on a live part',
  },
}

/** The one place where an input fault becomes a sentence. */
export function describeProblem(p: Problem, locale: Locale = LOCALE): string {
  const { file, line, column, path } = p.place
  const at = [file, line, column].filter((x) => x !== undefined).join(':')
  const inside = path.length ? ` (${path.join(' › ')})` : ''
  const found = p.found === undefined ? '' : ` Found: ${p.found}.`
  const expected = p.expected === undefined ? '' : ` Expected: ${p.expected}.`
  return `${at ? `${at}: ` : ''}${LEAD[locale][p.code]}${inside}.${found}${expected}`
}
