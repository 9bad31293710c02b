import { hashPassword } from '../areas/session/service'
import { asOwner, prepareTables, said } from './preparation'
import { loadDemoWorld, WORLDS } from './seeds/demo-world'

/**
 * `tsx server/database/prepare-demo.ts [--world=years]`: prepares the database of DATABASE_URL and loads the demo world: `bare` without jobs,
 * `jobs` with those of the last days, `years` with two years of them. It is no part of the built server.
 */
await asOwner(async (owner) => {
  await prepareTables(owner)
  await loadDemoWorld(hashPassword, WORLDS.find((w) => w === said('world')) ?? 'years')
})
