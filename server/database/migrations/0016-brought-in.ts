import type { Sequelize } from 'sequelize'

export const name = '0016-brought-in'

/** Entries of jobs that came in a file: which, by whom and when. The entries themselves name who made them. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    CREATE TABLE job_imports (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      job_id uuid NOT NULL REFERENCES jobs,
      events uuid[] NOT NULL,
      brought_by uuid NOT NULL REFERENCES users,
      brought_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX job_imports_organisation ON job_imports (organisation_id, brought_at DESC);
  `)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query('DROP TABLE job_imports')
}
