import type { JobEvent } from '../../core/job'
import {
  restoreOutbox,
  transition,
  type EventResult,
  type Outbox,
  type OutboxEffect,
  type OutboxInput,
} from '../../core/sync'
import { appendEvents } from '../../shared/contracts/jobs'
import { deviceDatabase, entriesOf, keepEvents, type KeptEntry } from './database'
import { ApiError, call } from './http'
import { sendPhoto } from './photos'
import { say } from './tabs'

/**
 * Sends what waits on this device for one person: the runner of the outbox's transitions. One tab runs it; it ends
 * with the person's session.
 */
export class Sender {
  private readonly outboxes = new Map<string, Outbox>()
  private readonly timers = new Map<string, ReturnType<typeof setTimeout>>()
  private ended = false

  constructor(
    private readonly person: string,
    private readonly personName: string,
  ) {}

  /** Takes up whatever waits on the device. */
  async start(): Promise<void> {
    say({ type: 'trouble', trouble: undefined })
    const entries = await deviceDatabase().outbox.where('person').equals(this.person).toArray()
    for (const job of new Set(entries.map((e) => e.job))) await this.takeUp(job)
  }

  end(): void {
    this.ended = true
    for (const timer of this.timers.values()) clearTimeout(timer)
  }

  /** Lays what was entered in any tab into the outbox of its job. */
  async takeUp(job: string): Promise<void> {
    const entries = await entriesOf(this.person, job)
    const known = this.outboxes.get(job)
    if (!known) {
      this.outboxes.set(
        job,
        restoreOutbox(entries.map(({ event, state, code, message }) => ({ event, state, code, message }))),
      )
      this.run(job, { type: 'due' })
      return
    }
    for (const { event } of entries.filter((e) => e.state === 'waiting')) this.run(job, { type: 'entered', event })
  }

  settle(job: string, id: string, how: 'discarded' | 'resent'): void {
    this.run(job, { type: how, id })
  }

  /** The connection may be back. */
  due(): void {
    for (const job of this.outboxes.keys()) this.run(job, { type: 'due' })
  }

  private run(job: string, input: OutboxInput): void {
    if (this.ended) return
    const { outbox, effects } = transition(this.outboxes.get(job) ?? restoreOutbox([]), input)
    this.outboxes.set(job, outbox)
    if (input.type === 'failed' || input.type === 'answered') this.sayTrouble()
    void this.act(job, effects)
  }

  private sayTrouble(): void {
    const trouble = [...this.outboxes.values()].find((o) => o.trouble)?.trouble
    say({ type: 'trouble', trouble })
  }

  /** Writes first, sends after: what is told to the person is on the device by then. */
  private async act(job: string, effects: readonly OutboxEffect[]): Promise<void> {
    let upTo = 0
    for (const effect of effects) {
      if (effect.type === 'keep') await this.change(effect.entry.event.id, effect.entry)
      if (effect.type === 'drop') {
        await this.drop(job, effect.id, effect.seq)
        upTo = Math.max(upTo, effect.seq ?? 0)
      }
    }
    if (upTo) say({ type: 'job', job, seq: upTo })
    for (const effect of effects) {
      if (effect.type === 'wake') this.wake(job, effect.milliseconds)
      if (effect.type === 'post') await this.post(job, effect.events)
    }
  }

  private async change(id: string, entry: Pick<KeptEntry, 'state' | 'code' | 'message'>): Promise<void> {
    const { state, code, message } = entry
    await deviceDatabase().outbox.update(id, { state, code, message })
  }

  /** What the server has taken moves over to the events of the job in one step. */
  private async drop(job: string, id: string, seq: number | undefined): Promise<void> {
    const db = deviceDatabase()
    await db.transaction('rw', db.outbox, db.events, db.photos, async () => {
      const entry = await db.outbox.get(id)
      await db.outbox.delete(id)
      // Of what is discarded nothing waits on.
      if (entry?.event.payload.type === 'photo' && seq === undefined)
        await db.photos.delete([this.person, entry.event.payload.photo])
      if (entry && seq !== undefined) await keepEvents(this.person, job, [{ ...entry.event, seq, by: this.personName }])
    })
  }

  private wake(job: string, milliseconds: number): void {
    clearTimeout(this.timers.get(job))
    this.timers.set(
      job,
      setTimeout(() => this.run(job, { type: 'due' }), milliseconds),
    )
  }

  /** Photos go before the events that name them. @returns what becomes of an event whose photo the server will not have */
  private async postPhotos(events: readonly JobEvent[]): Promise<EventResult[]> {
    const refused: EventResult[] = []
    for (const { id, payload } of events) {
      if (payload.type !== 'photo') continue
      try {
        await sendPhoto(this.person, payload.photo)
      } catch (error) {
        // What concerns the photo alone holds up nothing else.
        if (!(error instanceof ApiError) || ![413, 415, 422].includes(error.status)) throw error
        refused.push({ id, status: 'refused', code: error.code, message: error.message })
      }
    }
    return refused
  }

  private async post(job: string, events: Extract<OutboxEffect, { type: 'post' }>['events']): Promise<void> {
    try {
      const refused = await this.postPhotos(events)
      const rest = events.filter((e) => !refused.some((r) => r.id === e.id))
      if (!rest.length) return this.run(job, { type: 'answered', results: refused })
      const { results, clockOffset } = await call(appendEvents, {
        params: { id: job },
        body: { events: rest, sentAt: new Date().toISOString() },
        person: this.person,
      })
      say({ type: 'clock', offset: clockOffset })
      this.run(job, { type: 'answered', results: [...refused, ...results] })
    } catch (error) {
      const { status, code, message } =
        error instanceof ApiError
          ? error
          : new ApiError(0, 'failed', String(error instanceof Error ? error.message : error))
      this.run(job, { type: 'failed', status, code, message })
    }
  }
}
