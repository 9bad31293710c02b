import { defineNitroPlugin } from '#imports'
import { makeReport } from '../areas/reports/service'
import { reportInPool } from '../engine/pool'
import { databaseUrl, withDatabase } from '../platform/database'
import { closeQueue, openQueue, workOff } from '../platform/queue'
import { REPORTS_QUEUE } from '../platform/queue-names'

const TRY_AGAIN = 2000

/** At start: joins the queue and makes what waits in it. */
export default defineNitroPlugin((nitro) => {
  let ended = false
  const attempt = () =>
    void openQueue()
      .then((queue) =>
        workOff<{ report: string }>(queue, REPORTS_QUEUE, ({ report }) =>
          withDatabase(() => makeReport(report, reportInPool)),
        ),
      )
      .catch((error: unknown) => {
        console.error(`queue: ${error instanceof Error ? error.message : String(error)}`)
        if (!ended) setTimeout(attempt, TRY_AGAIN)
      })
  // While the application is built there is no database.
  if (databaseUrl()) attempt()
  nitro.hooks.hook('close', async () => {
    ended = true
    await closeQueue()
  })
})
