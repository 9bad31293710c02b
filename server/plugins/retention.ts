import { defineNitroPlugin } from '#imports'
import { eraseOldPapers } from '../areas/erasure/service'
import { databaseUrl, withDatabase } from '../platform/database'

/** How often it is looked for papers whose time has come, ms; soon again while there are more. */
const LOOKS = 60 * 60_000
const SOON = 2000

/** Erases what has been kept as long as its organisation says. */
export default defineNitroPlugin((nitro) => {
  let timer: NodeJS.Timeout | undefined
  let ended = false
  const later = (ms: number) => {
    if (!ended) timer = setTimeout(look, ms)
  }
  function look(): void {
    withDatabase(eraseOldPapers).then(
      (erased) => later(erased ? SOON : LOOKS),
      (error: unknown) => {
        console.error(`retention: ${error instanceof Error ? error.message : String(error)}`)
        later(LOOKS)
      },
    )
  }
  // While the application is built there is no database.
  if (databaseUrl()) later(SOON)
  nitro.hooks.hook('close', () => {
    ended = true
    clearTimeout(timer)
  })
})
