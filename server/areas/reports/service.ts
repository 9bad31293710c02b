import { v7 as uuidv7 } from 'uuid'
import { foldJob, type SequencedEvent } from '../../../core/job'
import type { ReportForm, ReportReader, ReportUnit } from '../../../core/report'
import type { Person } from '../../../shared/contracts/session'
import type { SheetFile } from '../../database/models'
import { apiError, notFound } from '../../platform/errors'
import { putInQueue } from '../../platform/queue'
import { REPORTS_QUEUE } from '../../platform/queue-names'
import { allEvents, readJob } from '../jobs/service'
import { photoBytes } from '../photos/service'
import { currentRevision, readRevision } from '../sheets/service'
import * as rows from './repository'

/** All that a report is made from. */
export interface ReportOrder {
  job: string
  events: SequencedEvent[]
  files: SheetFile[]
  unit: ReportUnit
  shop: string
  timeZone: string
  form: ReportForm
  reader: ReportReader
  /** JPEG by hash. */
  photos: Record<string, Uint8Array>
}
/** Makes a PDF where nothing waits for it. */
type MakeReport = (order: ReportOrder) => Promise<Uint8Array>

/** Photos in a full report, and in one of one page. */
const MOST_PHOTOS: Record<ReportForm, number> = { full: 12, 'one-page': 2 }

const toRow = (r: rows.AskedReport) => ({
  id: r.id,
  job: r.job_id,
  form: r.form,
  reader: r.reader,
  state: r.state,
  before: r.before,
  askedBy: r.asked_by,
  askedAt: r.asked_at.toISOString(),
  seq: r.seq,
  fault: r.fault,
})

/** Asks for a report of a job as it stands now: the same one is made once. */
export async function askForReport(
  who: Person,
  job: string,
  { form, reader }: { form: ReportForm; reader: ReportReader },
) {
  const { seq } = await readJob(who, job, 2 ** 31 - 1)
  const asked = { id: uuidv7(), organisation: who.organisation, job, seq, form, reader, by: who.id }
  const { id, due } = await rows.insertReport(asked)
  if (due)
    await putInQueue(REPORTS_QUEUE, { report: id }).catch(async (error: unknown) => {
      await rows.failReport(id, 'The queue did not take it. Ask for it again.')
      console.error(`queue: ${error instanceof Error ? error.message : String(error)}`)
      throw apiError(503, 'queue-away')
    })
  return toRow((await rows.findReport(id))!)
}

export async function listReports(who: Person, job: string) {
  await readJob(who, job, 2 ** 31 - 1)
  return { reports: (await rows.reportsOf(who.organisation, job)).map(toRow) }
}

export async function readReportFile(who: Person, id: string): Promise<Uint8Array<ArrayBuffer>> {
  const bytes = await rows.reportBytes(who.organisation, id)
  if (!bytes) throw notFound('report')
  return new Uint8Array(bytes)
}

/**
 * Makes a report that was asked for, off the request path. One that has been made stays as it is: a queue that hands it out twice
 * makes it once.
 *
 * @param make runs in a worker thread
 */
export async function makeReport(id: string, make: MakeReport): Promise<void> {
  const asked = await rows.findReport(id)
  if (!asked || !(await rows.beginReport(id))) return
  const { job_id: job, organisation_id: organisation, seq, form, reader } = asked
  try {
    const about = (await rows.findReportedJob(job))!
    const revision = about.revision ?? (await currentRevision(about.sheet))
    if (revision === undefined) throw new Error('Its sheet is not ready.')
    const [events, { files }] = await Promise.all([allEvents(job, seq), readRevision(revision)])
    const photos = await photoBytes(
      organisation,
      foldJob(events)
        .photos.slice(-MOST_PHOTOS[form])
        .map((p) => p.photo),
    )
    const { title, customer, place, serial, organisation: shop, time_zone: timeZone } = about
    const unit = { title, customer, place, ...(serial ? { serial } : {}) }
    const bytes = await make({ job, events, files, unit, shop, timeZone, form, reader, photos })
    await rows.keepReport(id, Buffer.from(bytes))
  } catch (error) {
    await rows.failReport(id, error instanceof Error ? error.message.slice(0, 300) : 'It could not be made.')
    throw error
  }
}
