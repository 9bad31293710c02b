import { describe, expect, it, beforeAll, afterAll } from 'vitest'
import type { Sequelize } from 'sequelize'
import { findShipped } from '../../cli/library'
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
    const machines: number[] = []
    for (let i = 0; i < 2; i++) {
      await migrate(db)
      defineModels(db)
      await loadDemoWorld((password) => Promise.resolve(`hashed:${password.length}`))
      machines.push(await Machine.count())
    }
    expect(await Organisation.count()).toBe(2)
    expect(await User.count()).toBe(3)
    expect(machines[0]).toBeGreaterThan(14)
    expect(machines[1]).toBe(machines[0])
    const sheets = (await Machine.findAll()).map((m) => m.sheet)
    expect(sheets.filter((id) => !findShipped(id))).toEqual([])
    expect((await User.findAll()).every((u) => u.passwordHash.startsWith('hashed:'))).toBe(true)
  })
})
