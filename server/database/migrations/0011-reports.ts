import PgBoss from 'pg-boss'
import { QueryTypes, type Sequelize } from 'sequelize'
import { QUEUE_SCHEMA, REPORTS_QUEUE } from '../../platform/queue-names'

export const name = '0011-reports'

/** Reports that were asked for, and the tables of the queue that makes them: the application itself may make none. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    CREATE TABLE reports (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      job_id uuid NOT NULL REFERENCES jobs,
      seq integer NOT NULL,
      form text NOT NULL CHECK (form IN ('one-page', 'full')),
      reader text NOT NULL CHECK (reader IN ('customer', 'own')),
      state text NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting', 'making', 'made', 'failed')),
      asked_by uuid NOT NULL REFERENCES users,
      asked_at timestamptz NOT NULL DEFAULT now(),
      made_at timestamptz,
      fault text,
      bytes bytea,
      UNIQUE (job_id, seq, form, reader),
      CHECK ((state = 'made') = (bytes IS NOT NULL))
    );
    CREATE INDEX reports_waiting ON reports (asked_at) WHERE state IN ('waiting', 'making');
  `)
  await sequelize.query(PgBoss.getConstructionPlans(QUEUE_SCHEMA))
  await sequelize.query(`SELECT ${QUEUE_SCHEMA}.create_queue($1, $2)`, {
    bind: [REPORTS_QUEUE, JSON.stringify({ policy: 'standard', retryLimit: 3, retryDelay: 1, expireInSeconds: 60 })],
    type: QueryTypes.SELECT,
  })
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`DROP SCHEMA ${QUEUE_SCHEMA} CASCADE; DROP TABLE reports`)
}
