import { defineNitroPlugin } from '#imports'
import { reckonExpected } from '../areas/figures/service'
import { makeReport } from '../areas/reports/service'
import { outlookInPool, reportInPool } from '../engine/pool'
import { databaseUrl, withDatabase } from '../platform/database'
import { closeQueue, openQueue, workOff } from '../platform/queue'
import { EXPECTED_QUEUE, REPORTS_QUEUE } from '../platform/queue-names'

const TRY_AGAIN = 2000

/** At start: joins the queue and makes what waits in it. */
export default defineNitroPlugin((nitro) => {
  let ended = false
  const attempt = () =>
    void openQueue()
      .then((queue) =>
        Promise.all([
          workOff<{ report: string }>(queue, REPORTS_QUEUE, ({ report }) =>
            withDatabase(() => makeReport(report, reportInPool)),
          ),
          workOff<{ job: string }>(queue, EXPECTED_QUEUE, ({ job }) =>
            withDatabase(() => reckonExpected(job, outlookInPool)),
          ),
        ]),
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
