import type { Ending } from '../job'

const ENDED: Record<Ending, string> = {
  'works-now': 'It works now; no cause was found',
  cancelled: 'The customer cancelled',
  'wrong-machine': 'It is another machine',
  'handed-over': 'Handed over to licensed people',
  'out-of-service': 'Left out of service: isolated, tagged and warned of',
}

/** How a job ended without a repair. */
export const describeEnding = (ending: Ending): string => ENDED[ending]

/** What a job waits for. */
export const describeAwaited = (what: 'part' | 'person' | 'customer'): string =>
  ({ part: 'Waits for a part', person: 'Waits for somebody', customer: 'Waits for the customer' })[what]
