import type { Action } from '../evidence'
import type { JobEvent } from './events'

/** The state of a job: a fold over its events and nothing else. */
export interface Job {
  machine: string | undefined
  words: string
  complaints: string[]
  /** Safety steps confirmed. */
  safety: string[]
  /** Readings and actions in the order they happened, retracted readings left out. */
  log: ({ event: string; at: string } & (
    { is: 'reading'; test: string; text: string; instrument: string | undefined } | { is: 'action'; action: Action }
  ))[]
  /** Ids of events taken back. */
  retracted: string[]
  notes: { event: string; at: string; text: string }[]
  order: string
  bands: string
  closed: { repair: string; text: string; at: string } | undefined
  /** Parts with a jumper still in. */
  jumpers: string[]
}

export const emptyJob: Job = {
  machine: undefined,
  words: '',
  complaints: [],
  safety: [],
  log: [],
  retracted: [],
  notes: [],
  order: 'best',
  bands: 'published',
  closed: undefined,
  jumpers: [],
}

/** Each event once, by time, then by id: the same list on every device, whatever the order of arrival. */
export function inOrder(events: readonly JobEvent[]): JobEvent[] {
  const byId = new Map(events.map((e) => [e.id, e]))
  return [...byId.values()].sort((a, b) => (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1))
}

/**
 * Folds events into the state of the job. Pure; duplicates and order of arrival make no difference.
 * A retracted reading, safety step or repair is as if it had never been entered; other actions stay.
 */
export function foldJob(events: readonly JobEvent[]): Job {
  const ordered = inOrder(events)
  // Actions changed the machine and the opening is the job itself: neither can be taken back. A repair has no other way back.
  const lasts = ({ what }: JobEvent) => what.is === 'opened' || (what.is === 'action' && what.action.verb !== 'repair')
  const lasting = new Set(ordered.filter(lasts).map((e) => e.id))
  const retractions = ordered.flatMap((e) => (e.what.is === 'retracted' ? [{ id: e.id, event: e.what.event }] : []))
  const undone = new Set(retractions.map((r) => r.event))
  const gone = new Set(retractions.flatMap((r) => (undone.has(r.id) || lasting.has(r.event) ? [] : [r.event])))
  const job: Job = { ...emptyJob, safety: [], log: [], notes: [], retracted: [...gone], jumpers: [], complaints: [] }
  for (const e of ordered) {
    if (gone.has(e.id)) continue
    const { what } = e
    switch (what.is) {
      case 'opened':
        job.machine = what.machine
        job.words = what.words
        job.complaints = [...what.complaints]
        break
      case 'safety':
        if (!job.safety.includes(what.step)) job.safety.push(what.step)
        break
      case 'reading':
        job.log.push({
          event: e.id,
          at: e.at,
          is: 'reading',
          test: what.test,
          text: what.text,
          instrument: what.instrument,
        })
        break
      case 'action': {
        job.log.push({ event: e.id, at: e.at, is: 'action', action: what.action })
        const { verb, target } = what.action
        if (verb === 'jumper' && target !== undefined && !job.jumpers.includes(target)) job.jumpers.push(target)
        if (verb === 'unjumper') job.jumpers = job.jumpers.filter((p) => p !== target)
        break
      }
      case 'order':
        job.order = what.order
        break
      case 'bands':
        job.bands = what.bands
        break
      case 'note':
        job.notes.push({ event: e.id, at: e.at, text: what.text })
        break
      case 'closed':
        job.closed = { repair: what.repair, text: what.text, at: e.at }
        break
      case 'reopened':
        job.closed = undefined
    }
  }
  return job
}
