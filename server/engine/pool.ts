import { existsSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { Piscina } from 'piscina'
import type { SheetFacts } from '../../core/job'
import type { SheetFile } from '../database/models'
import type { Outlook } from '../../core/advice'
import type { ReportOrder } from '../areas/reports/service'
import type { OutlookOrder } from '../areas/schedule/service'

/** Built beside the server by the build's own step. */
const ENGINE = join(dirname(process.argv[1] ?? '.'), 'engine')
/** A sheet that takes longer than this is wrong, ms. */
const LONGEST = 60_000
/** The same where it is run under every fault, ms. */
const LONGEST_WHOLE = 600_000

let pool: Piscina | undefined
const workers = (): Piscina =>
  (pool ??= new Piscina({
    filename: join(ENGINE, 'compile-sheet.mjs'),
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 5000,
  }))

/** Compiles a sheet in a worker thread. */
export const compileInPool = (files: SheetFile[]): Promise<SheetFacts> =>
  workers().run(files, { signal: AbortSignal.timeout(LONGEST) }) as Promise<SheetFacts>

/** The predictions of a revision: as the build made them, else made in a worker thread. */
export async function predictionsInPool(revision: string, files: SheetFile[]): Promise<Uint8Array> {
  const built = join(ENGINE, 'predictions', `${revision}.json.gz`)
  if (existsSync(built)) return readFile(built)
  return workers().run(files, {
    name: 'predictionsOf',
    signal: AbortSignal.timeout(LONGEST_WHOLE),
  }) as Promise<Uint8Array>
}

/** What a visit will probably take, found in a worker thread. */
export const outlookInPool = (order: OutlookOrder): Promise<Outlook> =>
  workers().run(order, { name: 'outlook', signal: AbortSignal.timeout(LONGEST_WHOLE) }) as Promise<Outlook>

/** A report takes no longer than this, ms. */
const LONGEST_REPORT = 45_000

let makers: Piscina | undefined
/** One thread of its own for reports: ten of them wait for each other, and nothing else for them. */
const reportMaker = (): Piscina =>
  (makers ??= new Piscina({
    filename: join(ENGINE, 'make-report.mjs'),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 20_000,
  }))

/** Makes a report in a worker thread. @returns a PDF */
export const reportInPool = (order: ReportOrder): Promise<Uint8Array> =>
  reportMaker().run(order, { signal: AbortSignal.timeout(LONGEST_REPORT) }) as Promise<Uint8Array>
