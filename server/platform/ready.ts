import { database } from './database'
import { apiError } from './errors'

let sheetsReady = false
/** Notes that every shipped sheet is kept with its revision. */
export const setSheetsReady = (): void => void (sheetsReady = true)

/** Throws 503 until the database answers and the sheets are ready. */
export async function checkReady(): Promise<void> {
  await database().authenticate()
  if (!sheetsReady) throw apiError(503, 'sheets-not-ready')
}
