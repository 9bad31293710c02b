import { readFile } from 'node:fs/promises'
import { v7 as uuidv7 } from 'uuid'
import type { Transaction } from 'sequelize'
import {
  eventOf,
  photoFile,
  rowsFile,
  type ArchiveFault,
  type ArchiveRow,
  type ArchiveTable,
} from '../../../core/archive'
import { describeArchiveFault } from '../../../core/words'
import type { Person } from '../../../shared/contracts/session'
import { inTransaction } from '../../platform/database'
import { announceBrought, bringIn, refuseUnknownJob } from '../jobs/service'
import { keepPhoto, missingPhotos } from '../photos/service'
import { findPersonById } from '../session/service'
import { isKnownRevision } from '../sheets/service'
import { bringUnit } from '../units/service'
import { NotTaken } from './not-taken'
import { openArchive, rowsOf } from './read-archive'
import { makeArchive } from './write-archive'
import { insertImport, ownerOfUnit } from './write-repository'
import type { ReadZip } from './zip'

/** A bundle comes to no more than this when it is unpacked, bytes. */
const MOST_UNPACKED = 256 * 1024 * 1024

/** One job with its entries, photos and the sheet that it was begun with, as one file. */
export async function exportJob(who: Person, job: string): Promise<Uint8Array<ArrayBuffer>> {
  await refuseUnknownJob(who, job)
  const { path, discard } = await makeArchive(
    { format: 'duckweed-job', organisation: who.organisation, job },
    who.organisationName,
  )
  return new Uint8Array(await readFile(path).finally(discard))
}

async function all<T extends ArchiveTable>(zip: ReadZip, table: T): Promise<ArchiveRow<T>[]> {
  const out: ArchiveRow<T>[] = []
  for await (const { row } of rowsOf(zip, table)) out.push(row as ArchiveRow<T>)
  return out
}

/** The people of a bundle, each of them one of this organisation. */
async function knownPeople(zip: ReadZip, who: Person): Promise<Map<string, Person>> {
  const people = new Map<string, Person>()
  for (const [i, { id, name }] of (await all(zip, 'people')).entries()) {
    const own = await findPersonById(id)
    if (own?.organisation !== who.organisation)
      throw new NotTaken({ code: 'stranger', file: rowsFile('people'), line: i + 1, fact: name })
    people.set(id, own)
  }
  return people
}

/** The one job of a bundle, with a sheet that is known here. */
async function ownJob(zip: ReadZip): Promise<ArchiveRow<'jobs'>> {
  const [job, ...more] = await all(zip, 'jobs')
  if (!job || more.length) throw new NotTaken({ code: 'not-an-archive', file: rowsFile('jobs') })
  if (job.revision !== null && !(await isKnownRevision(job.revision)))
    throw new NotTaken({ code: 'other-sheet', file: rowsFile('jobs'), fact: job.revision })
  return job
}

/** The machine of a job is one of this organisation; where it is not there yet, it is made. */
async function ensureUnit(zip: ReadZip, id: string, who: Person, transaction: Transaction): Promise<void> {
  const unit = (await all(zip, 'units')).find((u) => u.id === id)!
  const owner = await ownerOfUnit(unit.id, transaction)
  if (owner !== undefined && owner !== who.organisation)
    throw new NotTaken({ code: 'not-yours', file: rowsFile('units'), line: 1, fact: unit.title })
  if (owner !== undefined) return
  const site = (await all(zip, 'sites')).find((s) => s.id === unit.site_id)!
  const customer = (await all(zip, 'customers')).find((c) => c.id === site.customer_id)!
  const { title, serial, sheet } = unit
  await bringUnit(who, { id, title, serial, sheet, customer: customer.name, site: site.name }, transaction)
}

async function bringPhotos(zip: ReadZip, who: Person, transaction: Transaction): Promise<number> {
  const photos = await all(zip, 'photos')
  const missing = await missingPhotos(
    who,
    photos.map((p) => p.hash),
    transaction,
  )
  for (const hash of missing) await keepPhoto(who, hash, await zip.bytes(photoFile(hash)), transaction)
  return missing.size
}

/**
 * Takes a job bundle in: all of it, or nothing. What is there already stays as it is, so that the same bundle taken twice changes nothing.
 *
 * @returns the job, how much of it was new, and what is wrong where it was not taken
 */
export async function importJob(who: Person, file: Uint8Array) {
  const nothing = { job: null, fresh: 0, there: 0, photos: 0 }
  const wrong = (faults: readonly ArchiveFault[]) => ({
    ...nothing,
    problems: faults.map((f) => describeArchiveFault(f)),
  })
  const opened = await openArchive(Buffer.from(file), 'duckweed-job', MOST_UNPACKED)
  if ('faults' in opened) return wrong(opened.faults)
  const { zip } = opened
  try {
    const people = await knownPeople(zip, who)
    const { id, unit_id } = await ownJob(zip)
    const { brought, photos } = await inTransaction(async (transaction) => {
      await ensureUnit(zip, unit_id, who, transaction)
      const newPhotos = await bringPhotos(zip, who, transaction)
      const events = await all(zip, 'events')
      const entries = events.map((row) => ({
        event: eventOf(row),
        by: people.get(row.user_id)!,
        received: new Date(row.received_at),
      }))
      const outcome = await bringIn(id, entries, transaction)
      if ('refused' in outcome) {
        const line = events.findIndex((e) => e.id === outcome.refused) + 1
        throw new NotTaken({ code: 'not-taken', file: rowsFile('events'), line, fact: outcome.why })
      }
      const { fresh } = outcome
      if (fresh.length)
        await insertImport(
          { id: uuidv7(), organisation: who.organisation, job: id, events: fresh, by: who.id },
          transaction,
        )
      return { brought: outcome, photos: newPhotos }
    })
    if (brought.fresh.length) announceBrought(who.organisation, id, brought)
    return { job: id, fresh: brought.fresh.length, there: brought.there, photos, problems: [] }
  } catch (error) {
    if (error instanceof NotTaken) return wrong([error.fault])
    throw error
  } finally {
    zip.close()
  }
}
