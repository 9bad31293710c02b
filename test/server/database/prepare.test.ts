import { execFile } from 'node:child_process'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { QueryTypes } from 'sequelize'
import { expect, it } from 'vitest'
import { emptyDatabase } from '../house'

const root = join(import.meta.dirname, '../../..')
const run = promisify(execFile)

it('four processes that prepare one empty database at once do it once', async () => {
  const { db, url } = await emptyDatabase('at_once')
  const env = { ...process.env, DATABASE_URL: url, APP_PASSWORD: 'a-password-of-the-tests' }
  const prepare = () =>
    run(join(root, 'node_modules/.bin/tsx'), ['server/database/prepare-demo.ts', '--world=bare'], { cwd: root, env })
  // One that fails ends with a code of its own, which rejects.
  await Promise.all([prepare(), prepare(), prepare(), prepare()])
  const [counts] = await db.query(
    `SELECT (SELECT count(*) = count(DISTINCT name) AND count(*) > 15 FROM migrations) AS migrated,
       (SELECT count(*)::int FROM organisations) AS organisations,
       (SELECT max(number)::int FROM sheet_revisions) AS "highestNumber"`,
    { type: QueryTypes.SELECT },
  )
  expect(counts).toEqual({ migrated: true, organisations: 2, highestNumber: 1 })
  await db.close()
}, 240_000)
