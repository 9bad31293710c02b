import { LEAD_OFF } from '../job'

/** What stands in a machine that is not as it was: a jumper across a part, or a lead of one that is off. @param key as the job keeps it */
export const describeBypass = (key: string, title: string): string =>
  key.endsWith(LEAD_OFF) ? `lead of the ${title} off` : `jumper across the ${title}`
