import { UniqueConstraintError, type Transaction } from 'sequelize'
import { eventOf, photoFile, tablesOf, type ArchiveFault, type ArchiveRow } from '../../../core/archive'
import { apply, emptyStanding, type JobStanding, type SequencedEvent, type SheetFacts } from '../../../core/job'
import type { SheetFile } from '../../database/models'
import { inTransaction } from '../../platform/database'
import { relistJob } from '../jobs/service'
import { firstPassword, hashPassword } from '../session/service'
import { hashRevision } from '../sheets/service'
import { NotTaken } from './not-taken'
import { openArchive, rowsOf } from './read-archive'
import {
  finishJob,
  insertJobRow,
  insertLines,
  insertOrganisation,
  insertPerson,
  insertPhotoRow,
  insertRevisions,
  isEmpty,
  isPlain,
} from './write-repository'
import type { ReadZip } from './zip'

/** Rows that are written at a time. */
const AT_A_TIME = 500

/** What was taken in, and how its people sign in at first: no password stands in an archive. */
export interface TakenArchive {
  organisation: string
  people: { email: string; name: string; role: string; password: string }[]
  jobs: number
  events: number
  photos: number
}

/** One archive on its way into the tables. */
class Taking {
  readonly taken: TakenArchive = { organisation: '', people: [], jobs: 0, events: 0, photos: 0 }
  private organisation = ''
  private readonly names = new Map<string, string>()
  private readonly jobs = new Map<string, ArchiveRow<'jobs'>>()
  private own: { job: ArchiveRow<'jobs'>; standing: JobStanding; byId: Map<string, SequencedEvent> } | undefined

  constructor(
    private readonly zip: ReadZip,
    private readonly transaction: Transaction,
  ) {}

  async organisationRow(): Promise<void> {
    for await (const { row } of rowsOf(this.zip, 'organisation')) {
      const own = row as ArchiveRow<'organisation'>
      if (this.organisation) throw new NotTaken({ code: 'twice', file: 'organisation.jsonl', fact: own.id })
      this.organisation = own.id
      this.taken.organisation = own.name
      await insertOrganisation(own, this.transaction)
    }
    if (!this.organisation) throw new NotTaken({ code: 'missing-file', file: 'organisation.jsonl' })
  }

  async people(): Promise<void> {
    for await (const { row } of rowsOf(this.zip, 'people')) {
      const own = row as ArchiveRow<'people'>
      this.names.set(own.id, own.name)
      // Who has left does not sign in again.
      const password = own.left_at === null ? firstPassword() : ''
      await insertPerson(this.organisation, own, password && (await hashPassword(password)), this.transaction)
      if (!password) continue
      this.taken.people.push({ email: own.email, name: own.name, role: own.role, password })
    }
  }

  async photos(): Promise<void> {
    for await (const { row } of rowsOf(this.zip, 'photos')) {
      const own = row as ArchiveRow<'photos'>
      await insertPhotoRow(this.organisation, own, await this.zip.bytes(photoFile(own.hash)), this.transaction)
      this.taken.photos++
    }
  }

  async jobRows(): Promise<void> {
    for await (const { row } of rowsOf(this.zip, 'jobs')) {
      const own = row as ArchiveRow<'jobs'>
      await insertJobRow(this.organisation, own, this.transaction)
      this.jobs.set(own.id, own)
      this.taken.jobs++
    }
  }

  /** Events stand job by job: each job is folded once its last one is written. */
  async events(): Promise<void> {
    let lines: string[] = []
    let folded: (() => Promise<void>)[] = []
    const write = async () => {
      await insertLines('events', this.organisation, lines, this.transaction)
      for (const finish of folded) await finish()
      lines = []
      folded = []
    }
    for await (const { row, line } of rowsOf(this.zip, 'events')) {
      const own = row as ArchiveRow<'events'>
      if (this.own?.job.id !== own.job_id) {
        if (this.own) folded.push(this.finishing(this.own))
        if (lines.length >= AT_A_TIME) await write()
        this.own = { job: this.jobs.get(own.job_id)!, standing: emptyStanding, byId: new Map() }
      }
      this.fold(own)
      lines.push(line)
      this.taken.events++
    }
    if (this.own) folded.push(this.finishing(this.own))
    if (lines.length) await write()
  }

  private fold(row: ArchiveRow<'events'>): void {
    const { byId } = this.own!
    const event = { ...eventOf(row), seq: row.seq, by: this.names.get(row.user_id)! }
    byId.set(event.id, event)
    this.own!.standing = apply(this.own!.standing, event, (other) => byId.get(other))
  }

  private finishing({ job, standing }: NonNullable<Taking['own']>): () => Promise<void> {
    return async () => {
      await finishJob(job, standing, this.transaction)
      await relistJob(this.organisation, job.id, standing, this.transaction)
    }
  }

  /** A table whose rows are written as they stand. */
  async plain(table: Parameters<typeof insertLines>[0]): Promise<void> {
    let lines: string[] = []
    for await (const { line } of rowsOf(this.zip, table)) {
      lines.push(line)
      if (lines.length < AT_A_TIME) continue
      await insertLines(table, this.organisation, lines, this.transaction)
      lines = []
    }
    if (lines.length) await insertLines(table, this.organisation, lines, this.transaction)
  }
}

/** The sheets of an archive, compiled; each is the one that it is named as. */
async function compiled(
  zip: ReadZip,
  compile: (files: SheetFile[]) => Promise<SheetFacts> | SheetFacts,
): Promise<{ row: ArchiveRow<'revisions'>; facts: SheetFacts }[] | ArchiveFault[]> {
  const out: { row: ArchiveRow<'revisions'>; facts: SheetFacts }[] = []
  for await (const { row } of rowsOf(zip, 'revisions')) {
    const own = row as ArchiveRow<'revisions'>
    const fault = { code: 'other-sheet' as const, file: 'revisions.jsonl', line: out.length + 1, fact: own.sheet }
    if (hashRevision(own.files, own.language) !== own.hash) return [fault]
    try {
      out.push({ row: own, facts: await compile(own.files) })
    } catch {
      return [fault]
    }
  }
  return out
}

/**
 * Takes an archive into an installation in which nobody works yet: all of it, or nothing. States, lists and figures are made anew from its
 * events.
 *
 * @param path of the archive
 * @param compile what the server keeps of a sheet
 * @returns what was taken, or everything that is wrong
 */
export async function takeArchive(
  path: string,
  compile: (files: SheetFile[]) => Promise<SheetFacts> | SheetFacts,
): Promise<TakenArchive | ArchiveFault[]> {
  // Said before the work of reading it; asked again where it counts.
  if (!(await isEmpty())) return [{ code: 'not-empty' }]
  const opened = await openArchive(path, 'duckweed-archive')
  if ('faults' in opened) return opened.faults
  const { zip } = opened
  try {
    const sheets = await compiled(zip, compile)
    if (isFaults(sheets)) return sheets
    return await inTransaction(async (transaction) => {
      if (!(await isEmpty(transaction))) throw new NotTaken({ code: 'not-empty' })
      const taking = new Taking(zip, transaction)
      await taking.organisationRow()
      await insertRevisions(sheets, transaction)
      for (const table of tablesOf('duckweed-archive')) {
        if (table === 'people') await taking.people()
        if (table === 'photos') await taking.photos()
        if (table === 'jobs') await taking.jobRows()
        if (table === 'events') await taking.events()
        else if (isPlain(table)) await taking.plain(table)
      }
      return taking.taken
    })
  } catch (error) {
    if (error instanceof NotTaken) return [error.fault]
    if (error instanceof UniqueConstraintError) return [{ code: 'twice', fact: error.errors[0]?.value ?? '' }]
    throw error
  } finally {
    zip.close()
  }
}

const isFaults = (list: readonly object[]): list is ArchiveFault[] => list.some((x) => 'code' in x)
