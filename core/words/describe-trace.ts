import type { TraceProblem } from '../metering'
import { LOCALE, type Locale } from './locale'

const REFUSED: Record<Locale, Record<TraceProblem['code'], (found: string) => string>> = {
  en: {
    empty: () => 'The file is empty.',
    'no-numbers': () => 'There are no rows of numbers in it: this is no trace of a logger.',
    'broken-row': (found) => `${found ? `“${found}” ` : 'It '}does not fit the rows before it.`,
    'time-back': (found) => `its time, ${found}, lies before that of the row above.`,
    'too-large': (found) => `It is too large to be read here (${found}). Cut it to the stretch that counts.`,
    'too-long': () => 'It has more rows than can be kept here. Cut it to the stretch that counts.',
  },
}

/** Why a trace is not read, with the row where one is to blame. Nothing of it was taken. */
export function describeTraceProblem({ code, row, found = '' }: TraceProblem, locale: Locale = LOCALE): string {
  const text = REFUSED[locale][code](found)
  return row === undefined ? text : `Row ${row}: ${text} Nothing of the file was taken.`
}
