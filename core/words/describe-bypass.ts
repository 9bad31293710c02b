import { LEAD_OFF } from '../job'
import { withArticle } from './measurements/pieces'

/** What stands in a machine that is not as it was: a jumper across a part, or a lead of one that is off. @param key as the job keeps it */
export const describeBypass = (key: string, title: string): string =>
  key.endsWith(LEAD_OFF) ? `lead of ${withArticle(title)} off` : `jumper across ${withArticle(title)}`

/** The same as something to be put right, in a whole sentence. */
export const describeStanding = (lead: boolean, title: string): string =>
  lead
    ? `The lead of ${withArticle(title)} is still off its terminal.`
    : `A jumper is still across ${withArticle(title)}.`
