/** Where the tables of the queue are, and what is in it. */
export const QUEUE_SCHEMA = 'queue'
export const REPORTS_QUEUE = 'reports'
/** Closed jobs of which it is reckoned what the engine would have expected of them. */
export const EXPECTED_QUEUE = 'expected'
