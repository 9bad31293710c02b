import type { Sequelize } from 'sequelize'

export const name = '0002-house'

/**
 * Machines become units of sites of customers; events get their place in the job; jobs carry what they have come to;
 * sessions and revisions of sheets are rows. Rows of `job_events` keep what was written in them.
 */
// eslint-disable-next-line max-lines-per-function -- a migration is history, one statement after another
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    CREATE EXTENSION IF NOT EXISTS pg_trgm;

    ALTER TABLE organisations
      ADD COLUMN time_zone text NOT NULL DEFAULT 'UTC',
      ADD COLUMN currency text NOT NULL DEFAULT 'EUR';
    ALTER TABLE users
      ADD COLUMN role text NOT NULL DEFAULT 'technician'
        CHECK (role IN ('lead', 'technician', 'trainee', 'read-only'));

    CREATE TABLE sessions (
      id uuid PRIMARY KEY,
      token_hash bytea NOT NULL UNIQUE,
      user_id uuid NOT NULL REFERENCES users,
      device text NOT NULL DEFAULT '',
      created_at timestamptz NOT NULL DEFAULT now(),
      seen_at timestamptz NOT NULL DEFAULT now(),
      expires_at timestamptz NOT NULL
    );
    CREATE INDEX sessions_by_user ON sessions (user_id);

    CREATE TABLE sheet_revisions (
      hash text PRIMARY KEY,
      sheet text NOT NULL,
      number integer NOT NULL,
      language integer NOT NULL,
      title text NOT NULL,
      files jsonb NOT NULL,
      facts jsonb NOT NULL,
      published_at timestamptz NOT NULL DEFAULT now(),
      UNIQUE (sheet, number)
    );

    CREATE VIEW current_revisions AS
      SELECT DISTINCT ON (sheet) sheet, hash, number, title, facts FROM sheet_revisions ORDER BY sheet, number DESC;

    CREATE TABLE customers (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      name text NOT NULL,
      UNIQUE (organisation_id, name)
    );
    CREATE TABLE sites (
      id uuid PRIMARY KEY,
      customer_id uuid NOT NULL REFERENCES customers,
      name text NOT NULL,
      UNIQUE (customer_id, name)
    );
    INSERT INTO customers (id, organisation_id, name)
      SELECT gen_random_uuid(), organisation_id, customer FROM machines GROUP BY organisation_id, customer;
    INSERT INTO sites (id, customer_id, name)
      SELECT gen_random_uuid(), c.id, m.place
      FROM machines m JOIN customers c ON c.organisation_id = m.organisation_id AND c.name = m.customer
      GROUP BY c.id, m.place;

    ALTER TABLE machines RENAME TO units;
    ALTER TABLE units
      ADD COLUMN site_id uuid REFERENCES sites,
      ADD COLUMN serial text NOT NULL DEFAULT '',
      ADD COLUMN retired_at timestamptz;
    UPDATE units u SET site_id = s.id
      FROM sites s JOIN customers c ON c.id = s.customer_id
      WHERE c.organisation_id = u.organisation_id AND c.name = u.customer AND s.name = u.place;
    ALTER TABLE units ALTER COLUMN site_id SET NOT NULL, DROP COLUMN customer, DROP COLUMN place;
    CREATE INDEX units_by_organisation ON units (organisation_id);
    CREATE INDEX units_by_site ON units (site_id);

    ALTER TABLE jobs RENAME COLUMN machine_id TO unit_id;
    ALTER TABLE jobs
      ADD COLUMN revision text REFERENCES sheet_revisions,
      ADD COLUMN seq integer NOT NULL DEFAULT 0,
      ADD COLUMN standing jsonb,
      ADD COLUMN listed jsonb NOT NULL DEFAULT '{}',
      ADD COLUMN closed_at timestamptz,
      ADD COLUMN bypassed boolean NOT NULL DEFAULT false,
      ADD COLUMN touched_at timestamptz,
      ADD COLUMN touched_by uuid REFERENCES users;
    -- Apart from the job's row: an append must not touch the index of its words.
    CREATE TABLE job_words (job_id uuid PRIMARY KEY REFERENCES jobs, search text NOT NULL);

    ALTER TABLE job_events RENAME COLUMN what TO payload;
    ALTER TABLE job_events
      ADD COLUMN seq integer,
      ADD COLUMN ordinal integer,
      ADD COLUMN base_seq integer;
    UPDATE job_events e SET seq = o.seq
      FROM (SELECT id, row_number() OVER (PARTITION BY job_id ORDER BY at, id) AS seq FROM job_events) o
      WHERE o.id = e.id;
    UPDATE jobs j SET
      seq = COALESCE((SELECT max(seq) FROM job_events e WHERE e.job_id = j.id), 0),
      touched_at = date_trunc('milliseconds', COALESCE((SELECT max(received_at) FROM job_events e WHERE e.job_id = j.id), j.created_at)),
      touched_by = COALESCE(
        (SELECT e.user_id FROM job_events e WHERE e.job_id = j.id ORDER BY e.seq DESC LIMIT 1), j.opened_by);
    ALTER TABLE job_events ALTER COLUMN seq SET NOT NULL;
    ALTER TABLE jobs ALTER COLUMN touched_at SET NOT NULL, ALTER COLUMN touched_by SET NOT NULL;
    ALTER TABLE job_events ADD CONSTRAINT job_events_in_order UNIQUE (job_id, seq);
    DROP INDEX job_events_by_job;
    DROP INDEX jobs_by_organisation;
    CREATE INDEX jobs_by_touch ON jobs (organisation_id, touched_at DESC, id DESC);
    CREATE INDEX jobs_by_unit ON jobs (unit_id, created_at DESC);
    CREATE INDEX jobs_by_words ON job_words USING gin (search gin_trgm_ops);
  `)
}

export async function down(): Promise<void> {
  throw new Error('The house is not taken down again: restore the copy made before.')
}
