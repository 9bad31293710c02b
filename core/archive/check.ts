import { ERASED_PHOTO, jobEventSchema, upcast, type JobEvent } from '../job'
import {
  ARCHIVE_VERSION,
  archiveContents,
  archiveTitle,
  rowOf,
  rowsFile,
  tablesOf,
  type ArchiveContents,
  type ArchiveFormat,
  type ArchiveRow,
  type ArchiveTable,
  type ArchiveTitle,
} from './form'

export type ArchiveFaultCode =
  | 'not-an-archive'
  | 'other-format'
  | 'newer'
  | 'truncated'
  | 'damaged'
  | 'missing-file'
  | 'unexpected-file'
  | 'wrong-row'
  | 'twice'
  | 'unknown'
  | 'stranger'
  | 'out-of-order'
  | 'photo-missing'
  | 'other-sheet'
  | 'not-empty'
  | 'too-large'
  | 'not-taken'
  | 'not-yours'

/** Something that is wrong with a file of this sort: where, and what it is about. Nothing of such a file is taken. */
export interface ArchiveFault {
  code: ArchiveFaultCode
  file?: string
  /** Counts from 1. */
  line?: number
  fact?: string
}

/** So many faults are named; whoever wrote the file sees by then what is wrong with it. */
const MOST_FAULTS = 20

/** What columns name: rows of other tables. */
const NAMES: Partial<Record<ArchiveTable, Record<string, ArchiveTable>>> = {
  sites: { customer_id: 'customers' },
  units: { site_id: 'sites' },
  meters: { allowed_by: 'people' },
  stock_levels: { part_id: 'parts' },
  care_plans: { unit_id: 'units' },
  photos: { created_by: 'people' },
  jobs: { unit_id: 'units', revision: 'revisions', opened_by: 'people', touched_by: 'people' },
  events: { job_id: 'jobs', user_id: 'people' },
  stock_moves: { part_id: 'parts', job_id: 'jobs', moved_by: 'people' },
  visits: { unit_id: 'units', job_id: 'jobs', care_plan_id: 'care_plans', person_id: 'people', made_by: 'people' },
  erasures: { erased_by: 'people' },
  job_imports: { job_id: 'jobs', brought_by: 'people' },
}

/** What tells the rows of a table apart; events are told apart within their job. */
const KEYS: Partial<Record<ArchiveTable, readonly string[]>> = {
  people: ['id'],
  revisions: ['hash'],
  customers: ['id'],
  sites: ['id'],
  units: ['id'],
  meters: ['id'],
  parts: ['id'],
  stock_levels: ['part_id', 'store'],
  care_plans: ['id'],
  photos: ['hash'],
  jobs: ['id'],
}

type Row = Record<string, unknown>

/** What a file says that it is. @returns the fault where it is none, another one or of a newer program */
export function readTitle(value: unknown, format: ArchiveFormat): ArchiveTitle | ArchiveFault {
  const title = archiveTitle.safeParse(value)
  if (!title.success) return { code: 'not-an-archive' }
  if (title.data.format !== format) return { code: 'other-format', fact: title.data.format }
  if (title.data.version > ARCHIVE_VERSION) return { code: 'newer', fact: String(title.data.version) }
  return title.data
}

/** The list of what a file holds, against what stands in it. */
export function readContents(value: unknown, there: readonly string[]): ArchiveContents | ArchiveFault[] {
  const contents = archiveContents.safeParse(value)
  if (!contents.success) return [{ code: 'not-an-archive' }]
  const listed = new Set(contents.data.files.map((f) => f.name))
  const faults: ArchiveFault[] = [
    ...[...listed].filter((name) => !there.includes(name)).map((file) => ({ code: 'missing-file' as const, file })),
    ...there.filter((name) => !listed.has(name)).map((file) => ({ code: 'unexpected-file' as const, file })),
  ]
  return faults.length ? faults : contents.data
}

/**
 * Goes through the rows of an archive in their order and finds what cannot be: a row of another form, one that names what is not there, an
 * event of a stranger, a job with a gap. Rows are handed in one after the other; only ids are held.
 */
export class ArchiveCheck {
  readonly faults: ArchiveFault[] = []
  private readonly known = new Map<ArchiveTable, Set<string>>()
  private readonly jobs = new Map<string, { seq: number; unit: string; done: boolean }>()
  private current: { id: string; seq: number; events: Set<string> } | undefined

  /** @param hasPicture whether the picture of a photo stands in the file */
  constructor(
    private readonly format: ArchiveFormat,
    private readonly hasPicture: (hash: string) => boolean,
  ) {
    for (const table of tablesOf(format)) this.known.set(table, new Set())
  }

  private say(fault: ArchiveFault): undefined {
    if (this.faults.length < MOST_FAULTS) this.faults.push(fault)
    return undefined
  }

  /**
   * Takes the next row of a table.
   *
   * @param line of its file, from 1
   * @returns the row; `undefined` where it is wrong
   */
  take(table: ArchiveTable, line: number, value: unknown): Row | undefined {
    const file = rowsFile(table)
    const read = rowOf(this.format, table).safeParse(value)
    if (!read.success) {
      const [issue] = read.error.issues
      return this.say({ code: 'wrong-row', file, line, fact: `${issue!.path.join('.')} ${issue!.message}`.trim() })
    }
    const row = read.data as Row
    const before = this.faults.length
    for (const [column, other] of Object.entries(NAMES[table] ?? {})) {
      const named = row[column]
      if (typeof named !== 'string' || this.known.get(other)?.has(named)) continue
      const code = table === 'events' && other === 'people' ? 'stranger' : 'unknown'
      this.say({ code, file, line, fact: code === 'stranger' ? named : `${column} ${named}` })
    }
    const key = KEYS[table]?.map((column) => String(row[column])).join(' ')
    if (key !== undefined) {
      const own = this.known.get(table)!
      if (own.has(key)) this.say({ code: 'twice', file, line, fact: key })
      own.add(key)
    }
    if (table === 'stock_levels' && row.store !== 'shop' && !this.known.get('people')!.has(String(row.store)))
      this.say({ code: 'unknown', file, line, fact: `store ${String(row.store)}` })
    if (table === 'photos' && !this.hasPicture(String(row.hash)))
      this.say({ code: 'photo-missing', file, line, fact: String(row.hash) })
    if (table === 'jobs') this.takeJob(row as ArchiveRow<'jobs'>)
    if (table === 'events') this.takeEvent(row as ArchiveRow<'events'>, line)
    return this.faults.length === before ? row : undefined
  }

  private takeJob({ id, seq, unit_id }: ArchiveRow<'jobs'>): void {
    this.jobs.set(id, { seq, unit: unit_id, done: false })
  }

  /** The last event of a job has come: it has as many as it says. */
  private endJob(line: number): void {
    const own = this.current && this.jobs.get(this.current.id)
    if (!own) return
    own.done = true
    if (own.seq !== this.current!.seq)
      this.say({ code: 'out-of-order', file: rowsFile('events'), line, fact: this.current!.id })
  }

  private takeEvent(row: ArchiveRow<'events'>, line: number): void {
    const file = rowsFile('events')
    if (this.current?.id !== row.job_id) {
      this.endJob(line - 1)
      if (this.jobs.get(row.job_id)?.done) this.say({ code: 'out-of-order', file, line, fact: row.job_id })
      this.current = { id: row.job_id, seq: 0, events: new Set() }
    }
    const { current } = this
    if (row.seq !== current.seq + 1) this.say({ code: 'out-of-order', file, line, fact: row.job_id })
    current.seq = row.seq
    if (current.events.has(row.id)) this.say({ code: 'twice', file, line, fact: row.id })
    this.takePayload(row, line)
    current.events.add(row.id)
  }

  private takePayload(row: ArchiveRow<'events'>, line: number): void {
    const file = rowsFile('events')
    let event: JobEvent
    try {
      event = eventOf(row)
    } catch {
      return void this.say({ code: 'newer', file, line, fact: String(row.version) })
    }
    const read = jobEventSchema.safeParse(event)
    if (!read.success) {
      const [issue] = read.error.issues
      return void this.say({ code: 'wrong-row', file, line, fact: `${issue!.path.join('.')} ${issue!.message}` })
    }
    const { payload } = read.data
    if ((row.seq === 1) !== (payload.type === 'opened'))
      this.say({ code: 'out-of-order', file, line, fact: row.job_id })
    if (payload.type === 'opened' && payload.unit !== this.jobs.get(row.job_id)?.unit)
      this.say({ code: 'unknown', file, line, fact: `unit ${payload.unit}` })
    if (payload.type === 'retracted' && !this.current!.events.has(payload.event))
      this.say({ code: 'unknown', file, line, fact: `event ${payload.event}` })
    const photo = payload.type === 'photo' || payload.type === 'left-unsafe' ? payload.photo : undefined
    if (photo !== undefined && photo !== ERASED_PHOTO && !this.known.get('photos')!.has(photo))
      this.say({ code: 'photo-missing', file, line, fact: photo })
  }

  /** No more rows come. */
  end(): void {
    this.endJob(0)
    for (const [id, { seq, done }] of this.jobs)
      if (seq > 0 && !done) this.say({ code: 'out-of-order', file: rowsFile('events'), fact: id })
  }
}

/** A row of events in today's form. @throws Error where a newer program wrote it */
export const eventOf = (row: ArchiveRow<'events'>): JobEvent =>
  upcast({
    id: row.id,
    version: row.version,
    at: new Date(row.at).toISOString(),
    device: row.device,
    ordinal: row.ordinal,
    baseSeq: row.base_seq,
    payload: row.payload,
    seq: row.seq,
  })
