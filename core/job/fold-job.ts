import type { ReadingValue } from '../foundation/quantity'
import type { Action } from '../evidence'
import { apply } from './apply'
import { emptyOutcome, logOutcome, type Made, type OutcomeLog } from './outcome-log'
import { emptyStanding, type JobStanding } from './standing'
import type { Payload, SequencedEvent } from './event-schema'

/** One line of a job's log. */
export type Entry = {
  event: string
  seq: number
  /** By the device's clock, never later than it was received. */
  at: string
  by: string
  /** It was entered before a closing that reached the server first. */
  late: boolean
  /** Whose work on the machine lay between what the device had seen and this entry; empty where none did. */
  overlaps: string[]
} & (
  | {
      type: 'reading'
      test: string
      text: string
      value: ReadingValue | undefined
      instrument: string | undefined
      accuracy?: number | undefined
      /** It was taken with the power on. */
      live?: true | undefined
    }
  | { type: 'action'; action: Action }
)

/** A program that was watched: when it was started, what was noticed, s since then. */
export interface WatchedRun extends Made {
  program: string
  conditions: Readonly<Record<string, number>>
  /** Device that started it, when by its clock, and what that was off from the server's, ms; absent where it did not know. */
  device: string
  began: string
  clockOff?: number
  /** It is gone through step by step. */
  steps: boolean
  marks: (Omit<Extract<Payload, { type: 'marked' }>, 'type' | 'run'> & Made)[]
  /** s since its start; absent while it goes on. */
  over?: number
}

/** A job with its log: what a screen shows. */
export interface Job extends JobStanding, OutcomeLog {
  /** Readings and actions in the order of the fold; what was taken back is left out. */
  log: Entry[]
  remarks: { event: string; at: string; by: string; text: string; to: 'customer' | 'us' }[]
  photos: (Pick<Extract<Payload, { type: 'photo' }>, 'photo' | 'width' | 'height' | 'about'> & Made)[]
  labels: (Pick<Extract<Payload, { type: 'label' }>, 'name' | 'colour' | 'terminal' | 'shown'> & Made)[]
  /** When and by whom it was opened; absent before. */
  openedAt?: string
  openedBy?: string
  /** Every safety step that was confirmed, whatever became of it. */
  safetyLog: (Made & { step: string })[]
  /** Programs that were watched, the first one first. */
  runs: WatchedRun[]
}

/** The hands of others change what a meter shows: only what was done to the machine overlaps. */
function overlapsOf(e: SequencedEvent, actions: readonly SequencedEvent[]): string[] {
  const between = actions.filter((a) => a.seq > e.baseSeq && a.seq < e.seq && a.device !== e.device)
  return [...new Set(between.map((a) => a.by))]
}

/** Each event once, in the order of the fold. */
export function inOrder(events: readonly SequencedEvent[]): SequencedEvent[] {
  return [...new Map(events.map((e) => [e.id, e])).values()].sort((a, b) => a.seq - b.seq)
}

/** One entry about a run; what names none that there is says nothing. */
function watchRun(runs: Map<string, WatchedRun>, { id: event, at, by, device, payload }: SequencedEvent): void {
  if (payload.type === 'run') {
    const { program, conditions = {}, steps = false, began, clockOff } = payload
    const clock = { device, began, ...(clockOff === undefined ? {} : { clockOff }) }
    runs.set(event, { event, at, by, program, conditions, steps, ...clock, marks: [] })
  } else if (payload.type === 'marked') {
    const { type: _, run, ...mark } = payload
    runs.get(run)?.marks.push({ event, at, by, ...mark })
  } else if (payload.type === 'run-over') {
    const run = runs.get(payload.run)
    if (run) run.over ??= payload.seconds
  }
}

/** Folds the events of a job. Pure; an event given twice counts once, and the order of arrival makes no difference. */
export function foldJob(events: readonly SequencedEvent[]): Job {
  const ordered = inOrder(events)
  const byId = new Map(ordered.map((e) => [e.id, e]))
  let standing = emptyStanding
  const late = new Set<string>()
  for (const e of ordered) {
    if (standing.closed && e.baseSeq < standing.closed.seq) late.add(e.id)
    standing = apply(standing, e, (id) => byId.get(id))
  }
  const gone = new Set(standing.gone)
  const actions = ordered.filter((e) => e.payload.type === 'action')
  const log: Entry[] = []
  const remarks: Job['remarks'] = []
  const photos: Job['photos'] = []
  const labels: Job['labels'] = []
  const safetyLog: Job['safetyLog'] = []
  const runs = new Map<string, WatchedRun>()
  const outcome = emptyOutcome()
  for (const e of ordered) {
    if (gone.has(e.id) || logOutcome(outcome, e)) continue
    const { payload, seq, at, by } = e
    const common = { event: e.id, seq, at, by, late: late.has(e.id) }
    if (payload.type === 'reading') {
      const { type, test, text, value, instrument, accuracy, live } = payload
      log.push({
        ...common,
        overlaps: overlapsOf(e, actions),
        type,
        test,
        text,
        value,
        instrument,
        accuracy,
        ...(live ? { live } : {}),
      })
    } else if (payload.type === 'action') log.push({ ...common, overlaps: [], type: 'action', action: payload.action })
    else if (payload.type === 'safety') safetyLog.push({ event: e.id, at, by, step: payload.step })
    else if (payload.type === 'note') remarks.push({ event: e.id, at, by, text: payload.text, to: payload.to ?? 'us' })
    else if (payload.type === 'photo') {
      const { type: _, ...photo } = payload
      photos.push({ event: e.id, at, by, ...photo })
    } else if (payload.type === 'label') {
      const { type: _, ...label } = payload
      labels.push({ event: e.id, at, by, ...label })
    } else watchRun(runs, e)
  }
  const first = ordered.find((e) => e.payload.type === 'opened')
  const opened = first ? { openedAt: first.at, openedBy: first.by } : {}
  return { ...standing, ...outcome, ...opened, safetyLog, log, remarks, photos, labels, runs: [...runs.values()] }
}
