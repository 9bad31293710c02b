import type { Sequelize } from 'sequelize'

export const name = '0006-photos'

/** Photos of jobs, by organisation and what their bytes hash to: out of every list, read one by one. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    CREATE TABLE photos (
      organisation_id uuid NOT NULL REFERENCES organisations,
      hash text NOT NULL,
      bytes bytea NOT NULL,
      created_by uuid NOT NULL REFERENCES users,
      created_at timestamptz NOT NULL DEFAULT now(),
      PRIMARY KEY (organisation_id, hash)
    );
    -- What a camera packed is packed again for nothing.
    ALTER TABLE photos ALTER COLUMN bytes SET STORAGE EXTERNAL;
  `)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query('DROP TABLE photos')
}
