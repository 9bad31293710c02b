import type { Sequelize } from 'sequelize'

export const name = '0017-erasure'

/** What was said, drawn, signed and photographed by persons, of an event of any version; what was measured and done stays. */
const PAYLOAD = `
    CREATE FUNCTION erased_payload(p jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
      SELECT CASE COALESCE(p->>'type', p->>'is')
        WHEN 'opened' THEN p || '{"words": ""}'
        WHEN 'said' THEN p || '{"words": ""}'
        WHEN 'note' THEN p || '{"text": "(erased)"}'
        WHEN 'photo' THEN '{"type": "note", "text": "(photo erased)"}'
        WHEN 'label' THEN p - 'shown'
        WHEN 'closed' THEN p || '{"text": ""}'
        WHEN 'awaits' THEN p || '{"text": ""}'
        WHEN 'quoted' THEN p || '{"text": ""}'
        WHEN 'answered' THEN p || '{"who": "(erased)"}'
        WHEN 'ticked' THEN p - 'found'
        WHEN 'proven' THEN p - 'text'
        WHEN 'left-unsafe' THEN p || jsonb_build_object('warning', '(erased)', 'photo', repeat('0', 64))
        WHEN 'signed' THEN p || '{"name": "(erased)", "strokes": [[0, 0, 0, 0]]}'
        WHEN 'not-signed' THEN p || '{"name": "", "text": "(erased)"}'
        WHEN 'follow-up' THEN p || '{"why": "(erased)"}'
        ELSE p END
    $$;
`

/**
 * The one way in which an event is ever changed: as its owner, for the role that may change none. Photos go that nothing else names; reports
 * and what they were made of go too. The state of the job is folded anew by whoever asked for it.
 */
const PAPERS = `
    CREATE FUNCTION erase_papers(own_job uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
    DECLARE organisation uuid; named text[];
    BEGIN
      SELECT organisation_id INTO organisation FROM jobs WHERE id = own_job FOR UPDATE;
      SELECT array_agg(payload->>'photo') INTO named FROM job_events WHERE job_id = own_job AND payload ? 'photo';
      UPDATE job_events SET payload = erased_payload(payload)
        WHERE job_id = own_job AND payload IS DISTINCT FROM erased_payload(payload);
      DELETE FROM photos p WHERE p.organisation_id = organisation AND p.hash = ANY (named)
        AND NOT EXISTS (SELECT FROM job_events e JOIN jobs j ON j.id = e.job_id
          WHERE j.organisation_id = organisation AND e.payload ? 'photo' AND e.payload->>'photo' = p.hash);
      DELETE FROM reports WHERE job_id = own_job;
      UPDATE visits SET note = '', version = version + 1, changed_at = now() WHERE job_id = own_job AND note <> '';
      UPDATE jobs SET papers_erased_at = now() WHERE id = own_job;
    END $$;
    REVOKE EXECUTE ON FUNCTION erase_papers FROM PUBLIC;
`

/** What is kept of persons, for how long, and what was erased of them, by whom and when. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    ALTER TABLE organisations ADD COLUMN keep_papers_months integer CHECK (keep_papers_months BETWEEN 1 AND 600);
    ALTER TABLE users ADD COLUMN left_at timestamptz;
    ALTER TABLE jobs ADD COLUMN papers_erased_at timestamptz;
    CREATE INDEX job_events_by_photo ON job_events ((payload->>'photo')) WHERE payload ? 'photo';
    CREATE TABLE erasures (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      what text NOT NULL CHECK (what IN ('customer', 'person', 'papers')),
      jobs uuid[] NOT NULL,
      erased_by uuid REFERENCES users,
      erased_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX erasures_organisation ON erasures (organisation_id, erased_at);
  `)
  for (const part of [PAYLOAD, PAPERS]) await sequelize.query(part)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    DROP FUNCTION erase_papers, erased_payload;
    DROP TABLE erasures;
    DROP INDEX job_events_by_photo;
    ALTER TABLE users DROP COLUMN left_at;
    ALTER TABLE jobs DROP COLUMN papers_erased_at;
    ALTER TABLE organisations DROP COLUMN keep_papers_months;
  `)
}
