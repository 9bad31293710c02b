import { defineNitroPlugin } from '#imports'
import { databaseUrl } from '../platform/database'

/** What is under way when the process is told to end is answered within this, and what closes with it gets as long again, ms. */
const ANSWERS = '4000'

/** At start: whether there is what it needs, and how it will end. Streams of news close at once by themselves. */
export default defineNitroPlugin(() => {
  // While the application is built there is no database.
  if (!import.meta.prerender && !databaseUrl()) {
    console.error('NUXT_DATABASE_URL is not set: it names the database, as the role that the application works as.')
    process.exit(1)
  }
  process.env.NITRO_SHUTDOWN_TIMEOUT ??= ANSWERS
})
