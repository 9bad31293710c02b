import { select } from '../../platform/database'

export interface ToPlaceRow {
  job: string
  unit: string
  title: string
  customer: string
  place: string
  about: string
  until: string | null
  awaits: string | null
  come: boolean
  minutes: number | null
}

/** A closed job after which somebody looks again, and nobody has yet nor is planned to. */
const LOOKED_AT_AGAIN = `j.standing ? 'followUp' AND j.closed_at IS NOT NULL AND j.standing->'followUp'->>'on' <= $2
  AND NOT EXISTS (SELECT FROM visits v WHERE v.unit_id = j.unit_id AND v.starts_at > j.closed_at AND v.ended IS DISTINCT FROM 'cancelled')
  AND NOT EXISTS (SELECT FROM jobs n WHERE n.unit_id = j.unit_id AND n.created_at > j.closed_at)`

/**
 * Open jobs that nobody is planned to come to any more, and closed ones after which somebody is to look again; those that wait for longest
 * first.
 *
 * @param until a day: what is looked at again later is left out
 */
export const jobsToPlace = (organisation: string, until: string): Promise<ToPlaceRow[]> =>
  select<ToPlaceRow>(
    `SELECT j.id AS job, u.id AS unit, u.title, c.name AS customer, s.name AS place,
       array_to_string(ARRAY(SELECT jsonb_array_elements_text(j.listed->'complaints')), ', ') AS about,
       COALESCE(j.standing->'followUp'->>'on', j.standing->'awaits'->>'until') AS until,
       COALESCE(j.standing->'followUp'->>'why', j.standing->'awaits'->>'text') AS awaits,
       j.closed_at IS NULL AND ${CAME} AS come, o.minutes
     FROM jobs j JOIN units u ON u.id = j.unit_id JOIN sites s ON s.id = u.site_id JOIN customers c ON c.id = s.customer_id
       LEFT JOIN job_outlooks o ON o.job_id = j.id
     WHERE j.organisation_id = $1 AND j.standing IS NOT NULL
       AND (j.closed_at IS NULL AND NOT EXISTS (SELECT FROM visits v WHERE v.job_id = j.id AND v.ended IS NULL) OR ${LOOKED_AT_AGAIN})
     ORDER BY j.created_at LIMIT 100`,
    [organisation, until],
  )

/** Whether all that a job has on order by number lies in the shop. */
const CAME = `COALESCE((
    SELECT bool_and(COALESCE(l.count, 0) > 0)
    FROM jsonb_array_elements(CASE WHEN jsonb_typeof(j.standing->'awaits'->'parts') = 'array' THEN j.standing->'awaits'->'parts' ELSE '[]' END) a
      LEFT JOIN parts p ON p.organisation_id = j.organisation_id AND lower(p.number) = lower(a->>'number')
      LEFT JOIN stock_levels l ON l.part_id = p.id AND l.store = 'shop'), false)`

/** Open jobs whose parts on order lie in the shop. */
export const jobsWhosePartsCame = (organisation: string): Promise<{ job: string }[]> =>
  select<{ job: string }>(
    `SELECT j.id AS job FROM jobs j
     WHERE j.organisation_id = $1 AND j.closed_at IS NULL AND j.standing ? 'awaits' AND ${CAME} LIMIT 200`,
    [organisation],
  )

export interface NotedRow {
  job: string
  title: string
  customer: string
  place: string
  on: string
  text: string
}

const NOTED = `SELECT j.id AS job, j.listed->>'title' AS title, j.listed->>'customer' AS customer, j.listed->>'place' AS place`

/** Jobs after which somebody is to look again until a day, the first first. */
export const followUps = (organisation: string, until: string): Promise<NotedRow[]> =>
  select<NotedRow>(
    `${NOTED}, j.standing->'followUp'->>'on' AS on, j.standing->'followUp'->>'why' AS text FROM jobs j
     WHERE j.organisation_id = $1 AND ${LOOKED_AT_AGAIN} ORDER BY 5, j.id LIMIT 50`,
    [organisation, until],
  )

/** Runs that somebody watches and that have not come to their end, in open jobs. */
export const runningRuns = (organisation: string, person: string): Promise<Omit<NotedRow, 'text'>[]> =>
  select<Omit<NotedRow, 'text'>>(
    `${NOTED}, e.at AS on FROM jobs j JOIN job_events e ON e.id::text = j.standing->'watched'->>'event' AND e.job_id = j.id
     WHERE j.organisation_id = $1 AND e.user_id = $2 AND j.closed_at IS NULL AND NOT (j.standing->'watched'->>'over')::boolean
     ORDER BY e.at LIMIT 20`,
    [organisation, person],
  )
