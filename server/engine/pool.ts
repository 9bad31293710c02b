import { dirname, join } from 'node:path'
import { Piscina } from 'piscina'
import type { SheetFacts } from '../../core/job'
import type { SheetFile } from '../database/models'

/** Built beside the server by the build's own step. */
const WORKER = join(dirname(process.argv[1] ?? '.'), 'engine', 'compile-sheet.mjs')
/** A sheet that takes longer than this is wrong, ms. */
const LONGEST = 60_000

let pool: Piscina | undefined

/** Compiles a sheet in a worker thread. */
export function compileInPool(files: SheetFile[]): Promise<SheetFacts> {
  pool ??= new Piscina({ filename: WORKER, minThreads: 0, maxThreads: 2, idleTimeout: 5000 })
  return pool.run(files, { signal: AbortSignal.timeout(LONGEST) }) as Promise<SheetFacts>
}
