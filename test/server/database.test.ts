import { describe, expect, it, beforeAll, afterAll } from 'vitest'
import type { Sequelize } from 'sequelize'
import { connect } from '../../server/database/connection'
import { loadDemoWorld } from '../../server/database/demo-world'
import { migrate } from '../../server/database/migrate'
import { defineModels, Machine, Organisation, User } from '../../server/database/models'

const url = process.env.TEST_DATABASE_URL
let db: Sequelize

describe.skipIf(!url)('database', () => {
  beforeAll(async () => {
    db = connect(url!)
    await db.query('DROP TABLE IF EXISTS sign_in_tries, job_events, jobs, machines, users, organisations, migrations')
  })
  afterAll(() => db.close())

  it('migrates twice, loads the demo world twice, and holds each row once', async () => {
    for (let i = 0; i < 2; i++) {
      await migrate(db)
      defineModels(db)
      await loadDemoWorld((password) => Promise.resolve(`hashed:${password.length}`))
    }
    expect(await Organisation.count()).toBe(2)
    expect(await User.count()).toBe(3)
    expect(await Machine.count()).toBe(4)
    expect((await User.findAll()).every((u) => u.passwordHash.startsWith('hashed:'))).toBe(true)
  })
})
