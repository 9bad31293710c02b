import type { Payload, SequencedEvent } from './event-schema'

/** By which event, when and by whom. */
export interface Made {
  event: string
  at: string
  by: string
}

type Entered<T extends Payload['type']> = Omit<Extract<Payload, { type: T }>, 'type'> & Made

/** What was decided, done, proved and left, in the order of the fold; what was taken back is left out. */
export interface OutcomeLog {
  decisions: Entered<'decided'>[]
  quotes: (Entered<'quoted'> & { answer?: Entered<'answered'> })[]
  ticks: Entered<'ticked'>[]
  newParts: Entered<'new-part'>[]
  used: Entered<'used'>[]
  condemned: Entered<'condemned'>[]
  proven: Entered<'proven'>[]
  leftUnsafe: Entered<'left-unsafe'>[]
  signed: Entered<'signed'>[]
  notSigned: Entered<'not-signed'>[]
  settings: Entered<'setting'>[]
  followUps: Entered<'follow-up'>[]
}

export const emptyOutcome = (): OutcomeLog => ({
  decisions: [],
  quotes: [],
  ticks: [],
  newParts: [],
  used: [],
  condemned: [],
  proven: [],
  leftUnsafe: [],
  signed: [],
  notSigned: [],
  settings: [],
  followUps: [],
})

const LIST_OF = {
  decided: 'decisions',
  quoted: 'quotes',
  ticked: 'ticks',
  'new-part': 'newParts',
  used: 'used',
  condemned: 'condemned',
  proven: 'proven',
  'left-unsafe': 'leftUnsafe',
  signed: 'signed',
  'not-signed': 'notSigned',
  setting: 'settings',
  'follow-up': 'followUps',
} as const satisfies Partial<Record<Payload['type'], keyof OutcomeLog>>

/** Enters one event, where it is about the outcome. Changes the log. @returns whether it was */
export function logOutcome(log: OutcomeLog, { id: event, at, by, payload }: SequencedEvent): boolean {
  if (payload.type === 'answered') {
    const { type: _, ...rest } = payload
    const quote = log.quotes.find((q) => q.event === payload.quote)
    if (quote) quote.answer = { event, at, by, ...rest }
    return true
  }
  if (!(payload.type in LIST_OF)) return false
  const { type, ...rest } = payload
  const list = log[LIST_OF[type as keyof typeof LIST_OF]] as unknown[]
  list.push({ event, at, by, ...rest })
  return true
}
