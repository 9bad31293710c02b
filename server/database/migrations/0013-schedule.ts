import type { Sequelize } from 'sequelize'

export const name = '0013-schedule'

/** Visits of a day, what is done again and again at a machine, the secret under which a person's calendar is read, and what jobs will probably take. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    ALTER TABLE organisations
      ADD COLUMN work_begins integer NOT NULL DEFAULT 480 CHECK (work_begins BETWEEN 0 AND 1439),
      ADD COLUMN work_ends integer NOT NULL DEFAULT 1020 CHECK (work_ends BETWEEN 1 AND 1440),
      ADD COLUMN travel_minutes integer NOT NULL DEFAULT 15 CHECK (travel_minutes BETWEEN 0 AND 240);
    CREATE TABLE care_plans (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      unit_id uuid NOT NULL REFERENCES units,
      title text NOT NULL,
      every_days integer NOT NULL CHECK (every_days BETWEEN 1 AND 3650),
      minutes integer NOT NULL CHECK (minutes BETWEEN 5 AND 720),
      last_done date,
      water jsonb,
      retired_at timestamptz
    );
    CREATE INDEX care_plans_unit ON care_plans (unit_id);
    CREATE INDEX care_plans_due ON care_plans (organisation_id, (COALESCE(last_done + every_days, DATE '0001-01-01')))
      WHERE retired_at IS NULL;
    CREATE TABLE visits (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      unit_id uuid NOT NULL REFERENCES units,
      job_id uuid REFERENCES jobs,
      care_plan_id uuid REFERENCES care_plans,
      person_id uuid NOT NULL REFERENCES users,
      starts_at timestamptz NOT NULL,
      minutes integer NOT NULL CHECK (minutes BETWEEN 5 AND 720),
      reason text NOT NULL CHECK (reason IN ('call', 'return', 'care')),
      note text NOT NULL DEFAULT '',
      ended text CHECK (ended IN ('done', 'cancelled')),
      version integer NOT NULL DEFAULT 1,
      made_by uuid NOT NULL REFERENCES users,
      made_at timestamptz NOT NULL DEFAULT now(),
      changed_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX visits_day ON visits (organisation_id, starts_at);
    CREATE INDEX visits_person ON visits (person_id, starts_at);
    CREATE INDEX visits_job ON visits (job_id) WHERE job_id IS NOT NULL;
    CREATE TABLE calendar_secrets (
      person_id uuid PRIMARY KEY REFERENCES users,
      hash bytea NOT NULL UNIQUE,
      made_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE TABLE job_outlooks (
      job_id uuid PRIMARY KEY REFERENCES jobs,
      seq integer NOT NULL,
      minutes double precision NOT NULL,
      diagnosis double precision NOT NULL,
      needs jsonb NOT NULL
    );
  `)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    DROP TABLE job_outlooks; DROP TABLE calendar_secrets; DROP TABLE visits; DROP TABLE care_plans;
    ALTER TABLE organisations DROP COLUMN work_begins, DROP COLUMN work_ends, DROP COLUMN travel_minutes;
  `)
}
