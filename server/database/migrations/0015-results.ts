import { QueryTypes, type Sequelize } from 'sequelize'
import { EXPECTED_QUEUE, QUEUE_SCHEMA } from '../../platform/queue-names'

export const name = '0015-results'

const TABLE = `
    CREATE TABLE job_results (
      job_id uuid PRIMARY KEY REFERENCES jobs,
      organisation_id uuid NOT NULL,
      unit_id uuid NOT NULL,
      sheet text NOT NULL,
      opened_at timestamptz NOT NULL,
      closed_at timestamptz NOT NULL,
      repair text NOT NULL,
      ended_as text,
      visits integer NOT NULL,
      minutes real NOT NULL,
      in_vain integer NOT NULL,
      expected real
    );
    CREATE INDEX job_results_period ON job_results (organisation_id, closed_at);
    CREATE INDEX job_results_unit ON job_results (unit_id, opened_at);

    CREATE FUNCTION job_result() RETURNS trigger LANGUAGE plpgsql AS $$
    DECLARE spent double precision; sittings integer; own_sheet text;
    BEGIN
      IF NEW.closed_at IS NULL THEN
        DELETE FROM job_results WHERE job_id = NEW.id;
        RETURN NULL;
      END IF;
      SELECT sheet INTO own_sheet FROM units WHERE id = NEW.unit_id;
      SELECT COALESCE(sum(EXTRACT(EPOCH FROM gap)) FILTER (WHERE gap < interval '1 hour' AND NOT acted), 0) / 60,
        1 + count(*) FILTER (WHERE gap > interval '8 hours')
        INTO spent, sittings
        FROM (
          SELECT at - lag(at) OVER by_seq AS gap,
            bool_or(payload->>'type' IN ('decided', 'closed')
              OR (payload->>'type' = 'action' AND payload->'action'->>'verb' = 'repair')) OVER by_seq AS acted
          FROM job_events WHERE job_id = NEW.id
          WINDOW by_seq AS (ORDER BY seq)) e;
      INSERT INTO job_results (job_id, organisation_id, unit_id, sheet, opened_at, closed_at, repair, ended_as, visits, minutes, in_vain)
        VALUES (NEW.id, NEW.organisation_id, NEW.unit_id, own_sheet, NEW.created_at, NEW.closed_at,
          COALESCE(NEW.standing->'closed'->>'repair', ''), NEW.standing->'closed'->>'as', sittings, spent,
          COALESCE((NEW.standing->>'repairs')::integer, 0))
        ON CONFLICT (job_id) DO UPDATE SET opened_at = excluded.opened_at, closed_at = excluded.closed_at, repair = excluded.repair,
          ended_as = excluded.ended_as, visits = excluded.visits, minutes = excluded.minutes, in_vain = excluded.in_vain;
      RETURN NULL;
    END $$;
    CREATE TRIGGER result AFTER UPDATE OF closed_at ON jobs FOR EACH ROW
      WHEN (OLD.closed_at IS DISTINCT FROM NEW.closed_at AND NEW.standing IS NOT NULL) EXECUTE FUNCTION job_result();
    CREATE TRIGGER result_first AFTER INSERT ON jobs FOR EACH ROW WHEN (NEW.closed_at IS NOT NULL AND NEW.standing IS NOT NULL)
      EXECUTE FUNCTION job_result();
`

/** What is closed already: its row is written as if it were closed now. */
const BEFORE = `
    ALTER TABLE jobs DISABLE TRIGGER USER;
    CREATE TEMP TABLE closed_before AS SELECT id, closed_at FROM jobs WHERE closed_at IS NOT NULL AND standing IS NOT NULL;
    UPDATE jobs SET closed_at = NULL WHERE id IN (SELECT id FROM closed_before);
    ALTER TABLE jobs ENABLE TRIGGER USER;
    UPDATE jobs j SET closed_at = c.closed_at FROM closed_before c WHERE c.id = j.id;
    DROP TABLE closed_before;
`

/**
 * What closed jobs came to, a narrow row each, kept where a job is closed or opened again: figures over many years read nothing else.
 * Minutes are those between entries that follow each other within the hour, until a cause was acted on.
 */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const part of [TABLE, BEFORE]) await sequelize.query(part)
  await sequelize.query(`SELECT ${QUEUE_SCHEMA}.create_queue($1, $2)`, {
    bind: [EXPECTED_QUEUE, JSON.stringify({ policy: 'standard', retryLimit: 2, retryDelay: 5, expireInSeconds: 300 })],
    type: QueryTypes.SELECT,
  })
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    SELECT ${QUEUE_SCHEMA}.delete_queue('${EXPECTED_QUEUE}');
    DROP TRIGGER result ON jobs; DROP TRIGGER result_first ON jobs; DROP FUNCTION job_result; DROP TABLE job_results;
  `)
}
