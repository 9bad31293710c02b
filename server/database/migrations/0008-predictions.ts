import type { Sequelize } from 'sequelize'

export const name = '0008-predictions'

/** What a device needs of a revision for its first advice, by the state of the engine that computed it. Can be made again. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    CREATE TABLE sheet_predictions (
      revision text NOT NULL REFERENCES sheet_revisions ON DELETE CASCADE,
      engine text NOT NULL,
      bytes bytea NOT NULL,
      PRIMARY KEY (revision, engine)
    );
    -- What is packed already is packed again for nothing.
    ALTER TABLE sheet_predictions ALTER COLUMN bytes SET STORAGE EXTERNAL;
  `)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query('DROP TABLE sheet_predictions')
}
