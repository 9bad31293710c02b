import { Hash } from '@adonisjs/hash'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'
import { connect } from './connection'
import { loadDemoWorld } from './demo-world'
import { migrate } from './migrate'
import { defineModels } from './models'

/** `tsx server/database/prepare.ts [--fresh]`: migrates the database of DATABASE_URL and loads the demo world. */
const url = process.env.DATABASE_URL
if (!url) throw new Error('DATABASE_URL is not set.')
const sequelize = connect(url)
try {
  if (process.argv.includes('--fresh'))
    await sequelize.query(
      'DROP TABLE IF EXISTS sign_in_tries, job_events, jobs, machines, users, organisations, migrations',
    )
  await migrate(sequelize)
  defineModels(sequelize)
  const hash = new Hash(new Scrypt({}))
  await loadDemoWorld((password) => hash.make(password))
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  process.exitCode = 1
} finally {
  await sequelize.close()
}
