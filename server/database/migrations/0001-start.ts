import type { Sequelize } from 'sequelize'

export const name = '0001-start'

export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    CREATE TABLE organisations (id uuid PRIMARY KEY, name text NOT NULL);
    CREATE TABLE users (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      email text NOT NULL UNIQUE,
      name text NOT NULL,
      password_hash text NOT NULL
    );
    CREATE TABLE machines (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      sheet text NOT NULL,
      customer text NOT NULL,
      place text NOT NULL,
      title text NOT NULL
    );
    CREATE TABLE jobs (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      machine_id uuid NOT NULL REFERENCES machines,
      opened_by uuid NOT NULL REFERENCES users,
      created_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX jobs_by_organisation ON jobs (organisation_id, created_at DESC);
    CREATE TABLE job_events (
      id uuid PRIMARY KEY,
      job_id uuid NOT NULL REFERENCES jobs,
      user_id uuid NOT NULL REFERENCES users,
      version integer NOT NULL,
      at timestamptz NOT NULL,
      device text NOT NULL,
      what jsonb NOT NULL,
      received_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX job_events_by_job ON job_events (job_id, at);
    CREATE TABLE sign_in_tries (key varchar(255) PRIMARY KEY, points integer NOT NULL DEFAULT 0, expire bigint);
  `)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query('DROP TABLE sign_in_tries, job_events, jobs, machines, users, organisations')
}
