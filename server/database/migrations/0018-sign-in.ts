import type { Sequelize } from 'sequelize'

export const name = '0018-sign-in'

/** Devices on which somebody has signed in: their tries are counted apart from those of strangers. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    CREATE TABLE known_devices (
      token_hash bytea NOT NULL,
      user_id uuid NOT NULL REFERENCES users,
      seen_at timestamptz NOT NULL DEFAULT now(),
      PRIMARY KEY (user_id, token_hash)
    );
    DELETE FROM sign_in_tries;
  `)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query('DROP TABLE known_devices')
}
