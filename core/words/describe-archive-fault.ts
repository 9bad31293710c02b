import type { ArchiveFault, ArchiveFaultCode } from '../archive'
import { LOCALE, type Locale } from './locale'

/** `$1`: what it is about. */
const FAULTS = {
  en: {
    'not-an-archive': 'This is no file that Duckweed has written.',
    'other-format': 'This is a file of another sort ($1).',
    newer: 'A newer Duckweed has written this (version $1). Bring this one up to date first.',
    truncated: 'This file ends before it is whole. Copy it again.',
    damaged: 'This is not what was written: the file is damaged.',
    'missing-file': 'This stands in the list of contents and is not there.',
    'unexpected-file': 'This does not stand in the list of contents.',
    'wrong-row': 'This row is not of the form it should have: $1.',
    twice: 'This is there twice: $1.',
    unknown: 'This names something that is not there: $1.',
    stranger: 'This was entered by somebody who does not belong here: $1.',
    'out-of-order': 'The entries of a job are not all there, or not in their order: $1.',
    'photo-missing': 'A photo that is named is not there: $1.',
    'other-sheet': 'This state of a sheet is not here, or not what it is named as: $1.',
    'not-empty': 'There is an organisation here already. An archive is taken into an empty installation.',
    'too-large': 'This is larger than can be taken in one go.',
    'not-taken': 'This entry cannot be taken: $1',
    'not-yours': 'This belongs to somebody else here: $1.',
  },
} satisfies Record<Locale, Record<ArchiveFaultCode, string>>

/** Where something is wrong with a file, and what. */
export function describeArchiveFault({ code, file, line, fact = '' }: ArchiveFault, locale: Locale = LOCALE): string {
  const where = [file, line ? `line ${line}` : undefined].filter(Boolean).join(', ')
  return `${where ? `${where}: ` : ''}${FAULTS[locale][code].replace('$1', fact)}`
}
