import type { Sequelize } from 'sequelize'

export const name = '0010-costs'

/** What an hour of work costs in an organisation, in minor units of its currency: repairs are compared by it. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    'ALTER TABLE organisations ADD COLUMN hour_minor integer NOT NULL DEFAULT 6000 CHECK (hour_minor > 0)',
  )
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query('ALTER TABLE organisations DROP COLUMN hour_minor')
}
