import { SequelizeStorage, Umzug } from 'umzug'
import type { Sequelize } from 'sequelize'
import { MIGRATIONS } from './migrations'

const stepsOf = (sequelize: Sequelize) =>
  new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => up(sequelize),
      down: () => down(sequelize),
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  })

/** Brings the tables to the newest form, or so many steps nearer to it. Running it twice does nothing. */
export const migrate = async (sequelize: Sequelize, steps?: number): Promise<void> =>
  void (await stepsOf(sequelize).up(steps === undefined ? {} : { step: steps }))

/** Takes so many of the newest steps back: what only those can keep is gone then. */
export const migrateBack = async (sequelize: Sequelize, steps: number): Promise<void> =>
  void (await stepsOf(sequelize).down({ step: steps }))
