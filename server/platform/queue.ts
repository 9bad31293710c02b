import PgBoss from 'pg-boss'
import { databaseUrl } from './database'
import { QUEUE_SCHEMA } from './queue-names'

/** Connections of the queue of one process. */
const CONNECTIONS = 2
/** Work of a process that has ended is noticed and given to another one so soon, s. */
const LOOKED_AFTER = 10
/** How often a process looks for work, s. */
const LOOKS = 0.5
/** What is being made when the process ends may be finished for so long, ms. */
const FINISHES = 8000

let boss: PgBoss | undefined

/** Joins the queue: its tables are there already, and this process may change none of them. */
export async function openQueue(): Promise<PgBoss> {
  const own = new PgBoss({
    connectionString: databaseUrl(),
    max: CONNECTIONS,
    schema: QUEUE_SCHEMA,
    migrate: false,
    schedule: false,
    maintenanceIntervalSeconds: LOOKED_AFTER,
  })
  own.on('error', (error) => console.error(`queue: ${error.message}`))
  await own.start()
  boss = own
  return own
}

/** Works off a queue, one after another in this process. */
export const workOff = <T extends object>(own: PgBoss, queue: string, work: (data: T) => Promise<void>) =>
  own.work<T>(queue, { pollingIntervalSeconds: LOOKS, batchSize: 1 }, async ([job]) => {
    if (job) await work(job.data)
  })

/** Puts work into a queue. @throws Error while the queue is not open */
export async function putInQueue(queue: string, data: object): Promise<void> {
  if (!boss) throw new Error('The queue is not open.')
  await boss.send(queue, data)
}

/** Leaves the queue: what is being made is finished first. */
export async function closeQueue(): Promise<void> {
  const own = boss
  boss = undefined
  await own?.stop({ graceful: true, timeout: FINISHES })
}
