import { SequelizeStorage, Umzug } from 'umzug'
import type { Sequelize } from 'sequelize'
import * as start from './migrations/0001-start'
import * as house from './migrations/0002-house'
import * as workModes from './migrations/0003-work-modes'
import * as reopenedUnsafe from './migrations/0004-reopened-unsafe'
import * as knownSince from './migrations/0005-known-since'
import * as photos from './migrations/0006-photos'
import * as kit from './migrations/0007-kit'
import * as predictions from './migrations/0008-predictions'
import * as meters from './migrations/0009-meters'
import * as costs from './migrations/0010-costs'
import * as reports from './migrations/0011-reports'
import * as parts from './migrations/0012-parts'
import * as schedule from './migrations/0013-schedule'
import * as findable from './migrations/0014-findable'
import * as results from './migrations/0015-results'
import * as broughtIn from './migrations/0016-brought-in'
import * as erasure from './migrations/0017-erasure'
import * as signIn from './migrations/0018-sign-in'

const MIGRATIONS = [
  start,
  house,
  workModes,
  reopenedUnsafe,
  knownSince,
  photos,
  kit,
  predictions,
  meters,
  costs,
  reports,
  parts,
  schedule,
  findable,
  results,
  broughtIn,
  erasure,
  signIn,
]

/** Brings the tables to the newest form. Running it twice does nothing. */
export async function migrate(sequelize: Sequelize): Promise<void> {
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => up(sequelize),
      down: () => down(sequelize),
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  })
  await umzug.up()
}
