import Dexie, { type Table } from 'dexie'
import { upcast, type JobEvent, type SequencedEvent } from '../../core/job'
import type { OutboxEntry } from '../../core/sync'

/** An entry that the server has not taken, with whose it is. */
export interface KeptEntry extends OutboxEntry {
  id: string
  person: string
  personName: string
  job: string
  /** Counts the entries of this device: the order they are sent in. */
  ordinal: number
}

export interface KeptJob {
  person: string
  job: string
  unit: { id: string; title: string; customer: string; place: string }
  revision: string
}

/** A photo on this device: its own, to be sent, or one that was fetched. */
export interface KeptPhoto {
  person: string
  hash: string
  job: string
  photo: Blob
  /** 1: the server has it. */
  sent: 0 | 1
}

export interface KeptSheet {
  revision: string
  files: { id: string; file: string; text: string }[]
}

/** What the engine has computed of a revision. */
export interface KeptPredictions {
  name: string
  at: number
  bytes: Uint8Array
}

/** What this device keeps. Everything but the outbox can be fetched again, and goes at sign-out. */
export class DeviceDatabase extends Dexie {
  declare outbox: Table<KeptEntry, string>
  declare jobs: Table<KeptJob, [string, string]>
  declare events: Table<{ person: string; job: string; seq: number; event: SequencedEvent }, [string, string, number]>
  declare sheets: Table<KeptSheet, string>
  declare predictions: Table<KeptPredictions, string>
  declare lists: Table<{ person: string; name: string; value: unknown }, [string, string]>
  declare photos: Table<KeptPhoto, [string, string]>
  declare drafts: Table<{ person: string; key: string; value: unknown }, [string, string]>

  constructor(name = 'duckweed') {
    super(name)
    this.version(1).stores({
      outbox: '&id, person, [person+job]',
      jobs: '&[person+job], person',
      events: '&[person+job+seq], [person+job], person',
      sheets: '&revision',
      lists: '&[person+name], person',
      drafts: '&[person+key], person',
    })
    // Entries get the form of today's events; what can be fetched again is.
    this.version(2).upgrade(async (transaction) => {
      await transaction
        .table<KeptEntry>('outbox')
        .toCollection()
        .modify((entry) => {
          entry.event = upcast({ ...entry.event, seq: 0 })
        })
      for (const name of ['events', 'lists']) await transaction.table(name).clear()
    })
    // Rows of lists have grown: what was kept of them is fetched again.
    this.version(3)
      .stores({ photos: '&[person+hash], [person+job+sent], sent' })
      .upgrade((transaction) => transaction.table('lists').clear())
    this.version(4).stores({ predictions: '&name, at' })
  }
}

let database: DeviceDatabase | undefined
/** The database of this device, opened on first use. */
export const deviceDatabase = (): DeviceDatabase => (database ??= new DeviceDatabase())

/** Events of a job that are on this device, in order. */
export async function keptEvents(person: string, job: string): Promise<SequencedEvent[]> {
  const rows = await deviceDatabase()
    .events.where('[person+job+seq]')
    .between([person, job, 0], [person, job, Infinity])
    .toArray()
  return rows.map((r) => r.event)
}

export const keepEvents = (person: string, job: string, events: readonly SequencedEvent[]) =>
  deviceDatabase().events.bulkPut(events.map((event) => ({ person, job, seq: event.seq, event })))

/** What waits or was refused of a person at a job, in the order entered. */
export async function entriesOf(person: string, job: string): Promise<KeptEntry[]> {
  const entries = await deviceDatabase().outbox.where('[person+job]').equals([person, job]).toArray()
  return entries.sort((a, b) => a.ordinal - b.ordinal)
}

/** Entries of anybody that wait on this device, by person. */
export async function waitingByPerson(): Promise<Map<string, { name: string; waiting: number; refused: number }>> {
  const out = new Map<string, { name: string; waiting: number; refused: number }>()
  await deviceDatabase().outbox.each((e) => {
    const own = out.get(e.person) ?? { name: e.personName, waiting: 0, refused: 0 }
    own[e.state]++
    out.set(e.person, own)
  })
  return out
}

/** Erases what can be fetched again; what waits or was refused stays with its person. */
export async function eraseFetched(): Promise<void> {
  const { jobs, events, sheets, predictions, lists, drafts, photos } = deviceDatabase()
  await photos.where('sent').equals(1).delete()
  await Promise.all([jobs, events, sheets, predictions, lists, drafts].map((table: Table) => table.clear()))
}

/** Hands the plain data of an event over: reactive wrappers cannot be stored. */
export const plainEvent = (event: JobEvent): JobEvent => JSON.parse(JSON.stringify(event)) as JobEvent
