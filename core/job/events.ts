import type { Action } from '../evidence'

/**
 * What happened on a job, as data. Ids are made by the client (UUIDv7), so that an event sent twice is one event
 * and the events of two devices merge without loss.
 */
export interface JobEvent {
  id: string
  /** Version of the event language. */
  v: 1
  /** When it happened, ISO 8601. */
  at: string
  device: string
  what: Happening
}

export type Happening =
  | { is: 'opened'; machine: string; complaints: string[]; words: string }
  | { is: 'safety'; step: string }
  | { is: 'reading'; test: string; text: string; instrument?: string }
  | { is: 'action'; action: Action }
  | { is: 'retracted'; event: string }
  | { is: 'order'; order: string }
  /** What this technician lets make a winding good. */
  | { is: 'bands'; bands: string }
  | { is: 'note'; text: string }
  | { is: 'closed'; repair: string; text: string }
  | { is: 'reopened' }

export interface SafetyNeed {
  id: string
  title: string
  before: 'anything' | 'dead' | 'live'
}
