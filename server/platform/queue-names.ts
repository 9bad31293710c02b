/** Where the tables of the queue are, and what is in it. */
export const QUEUE_SCHEMA = 'queue'
export const REPORTS_QUEUE = 'reports'
