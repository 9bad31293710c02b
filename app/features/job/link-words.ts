import type { View } from '../../../core/advice'

type Link = View['links'][number]

/** What stands under a part in the picture: its state by a word. */
export const LINK_WORDS: Record<Link['state'], string> = {
  untested: '',
  measured: 'read, says nothing yet',
  suspect: 'suspect',
  intermittent: 'only sometimes',
  proven: 'proven',
  faulty: 'faulty',
  bypassed: 'bypassed',
}

/** The same for who does not see it. */
export const spokenLink = (link: Link | undefined): string => LINK_WORDS[link?.state ?? 'untested'] || 'not looked at'
