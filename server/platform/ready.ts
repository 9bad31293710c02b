import { MIGRATIONS } from '../database/migrations'
import { database, select } from './database'
import { apiError } from './errors'

let sheetsReady = false
/** Notes that every shipped sheet is kept with its revision. */
export const setSheetsReady = (): void => void (sheetsReady = true)

let prepared = false
/** Whether the tables are of this state of the program. Once they are, they stay so: an older program goes on with newer ones. */
async function isPrepared(): Promise<boolean> {
  if (prepared) return true
  const rows = await select<{ name: string }>('SELECT name FROM migrations', [])
  const done = new Set(rows.map((r) => r.name))
  return (prepared = MIGRATIONS.every((m) => done.has(m.name)))
}

/** Throws 503 until the database answers, its tables are those of this program, and the sheets are ready. */
export async function checkReady(): Promise<void> {
  await database().authenticate()
  if (!(await isPrepared())) throw apiError(503, 'not-prepared')
  if (!sheetsReady) throw apiError(503, 'sheets-not-ready')
}
