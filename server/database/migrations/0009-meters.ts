import type { Sequelize } from 'sequelize'

export const name = '0009-meters'

/** Meters that a lead has allowed the server to open a line to. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    CREATE TABLE meters (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      name text NOT NULL,
      host text NOT NULL,
      port integer NOT NULL CHECK (port BETWEEN 1024 AND 65535),
      allowed_by uuid NOT NULL REFERENCES users,
      allowed_at timestamptz NOT NULL DEFAULT now(),
      UNIQUE (organisation_id, host, port)
    );
  `)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query('DROP TABLE meters')
}
