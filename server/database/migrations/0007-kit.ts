import type { Sequelize } from 'sequelize'

export const name = '0007-kit'

/** What each person has to measure with; nothing said: everything. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query('ALTER TABLE users ADD COLUMN kit jsonb')
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query('ALTER TABLE users DROP COLUMN kit')
}
