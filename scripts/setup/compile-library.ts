import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Piscina } from 'piscina'
import { gatherFiles, hashRevision } from '../../server/areas/sheets/gather'

/**
 * Makes the predictions of the shipped sheets in worker threads, beside the built server: what was made before by the same state of
 * the engine for the same revision is taken again.
 */
const [root, engineFolder, state] = process.argv.slice(2) as [string, string, string]
const library = join(root, 'library')
const kept = join(root, '.bundled', 'predictions', state)
const out = join(engineFolder, 'predictions')
for (const folder of [kept, out]) mkdirSync(folder, { recursive: true })

const find = (id: string) => Promise.resolve(readFileSync(join(library, `${id}.yaml`), 'utf8'))
const ids = readdirSync(library)
  .filter((f) => f.endsWith('.yaml'))
  .map((f) => f.replace(/\.yaml$/, ''))
const pool = new Piscina({ filename: join(engineFolder, 'compile-sheet.mjs'), maxThreads: 2 })
await Promise.all(
  ids.map(async (id) => {
    const files = await gatherFiles(id, find)
    const name = `${hashRevision(files)}.json.gz`
    const there = join(kept, name)
    if (!existsSync(there)) {
      const bytes = (await pool.run(files, { name: 'predictionsOf' })) as Uint8Array
      writeFileSync(`${there}.part`, bytes)
      renameSync(`${there}.part`, there)
    }
    copyFileSync(there, join(out, name))
  }),
)
await pool.destroy()
