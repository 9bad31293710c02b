import { z } from 'zod'
import { contract, EVERYBODY, id, idParam, WRITERS } from './contract'

export const REPORT_FORMS = ['one-page', 'full'] as const
export const REPORT_READERS = ['customer', 'own'] as const
export const REPORT_STATES = ['waiting', 'making', 'made', 'failed'] as const

/** Largest report that is made, bytes: twelve photos and all readings. */
export const MOST_REPORT = 24 * 1024 * 1024

/** A report that somebody asked for. */
export const reportRow = z.object({
  id,
  job: id,
  form: z.enum(REPORT_FORMS),
  reader: z.enum(REPORT_READERS),
  state: z.enum(REPORT_STATES),
  /** How many were asked for before it and are not made yet; 0 once it is its turn. */
  before: z.int(),
  askedBy: z.string(),
  askedAt: z.string(),
  /** The job as it stood: its last sequence then. */
  seq: z.int(),
  /** Why it could not be made. */
  fault: z.string().nullable(),
})
export type ReportRow = z.infer<typeof reportRow>

/** Asks for a report of a job as it stands. The same one asked for again is the one that there is. */
export const askForReport = contract({
  method: 'POST',
  path: '/api/jobs/:id/reports',
  roles: WRITERS,
  params: idParam,
  body: z.strictObject({ form: z.enum(REPORT_FORMS), reader: z.enum(REPORT_READERS) }),
  answer: reportRow,
})

/** The reports of a job, the newest first. */
export const listReports = contract({
  method: 'GET',
  path: '/api/jobs/:id/reports',
  roles: EVERYBODY,
  params: idParam,
  answer: z.object({ reports: z.array(reportRow) }),
})

/** The PDF of a report that has been made. */
export const readReportFile = contract({
  method: 'GET',
  path: '/api/reports/:id/file',
  roles: EVERYBODY,
  params: idParam,
  answer: z.instanceof(Uint8Array),
  file: { type: 'application/pdf', most: MOST_REPORT, changes: true },
})
