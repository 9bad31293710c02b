import { defineNitroPlugin, useRuntimeConfig, useStorage } from '#imports'
import { providePredictions, publishLibrary } from '../areas/sheets/service'
import { compileInPool, predictionsInPool } from '../engine/pool'
import { databaseUrl, withDatabase } from '../platform/database'
import { setSheetsReady } from '../platform/ready'

const TRY_AGAIN = 2000

/** At start: the shipped sheets as they are now become revisions, off the request path. */
export default defineNitroPlugin(() => {
  const storage = useStorage('assets:library')
  const publish = async () => {
    const ids = (await storage.getKeys()).filter((k) => k.endsWith('.yaml')).map((k) => k.replace(/\.yaml$/, ''))
    const find = async (id: string) => {
      const text = await storage.getItem<string>(`${id}.yaml`)
      return text === null ? undefined : String(text)
    }
    await withDatabase(() => publishLibrary(ids, find, compileInPool))
    setSheetsReady()
    const { engine } = useRuntimeConfig().public
    await withDatabase(() => providePredictions(engine, predictionsInPool, (message) => console.error(message)))
  }
  const attempt = () =>
    void publish().catch((error: unknown) => {
      console.error(`sheets: ${error instanceof Error ? error.message : String(error)}`)
      setTimeout(attempt, TRY_AGAIN)
    })
  // While the application is built there is no database.
  if (databaseUrl()) attempt()
})
