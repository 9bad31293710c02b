import { select } from '../../platform/database'

/** A call on the same machine so soon after is a call-back, days. */
const CALL_BACK = 30

interface Period {
  organisation: string
  timeZone: string
  from: Date
  until: Date
}

/** Closed jobs of a period, each with whether it was called back and whether one visit did it. */
const OWN = `WITH all_of AS (
    SELECT *, lead(opened_at) OVER (PARTITION BY unit_id ORDER BY opened_at, job_id) < closed_at + interval '${CALL_BACK} days' AS called_back
    FROM job_results WHERE organisation_id = $1 AND closed_at >= $2 AND closed_at < $3::timestamptz + interval '${CALL_BACK} days'),
  own AS (SELECT *, COALESCE(called_back, false) AS back,
      visits = 1 AND in_vain = 0 AND repair <> '' AND NOT COALESCE(called_back, false) AS at_once
    FROM all_of WHERE closed_at < $3)`

export interface MonthRow {
  month: string
  jobs: number
  first_visit: number
  call_backs: number
  in_vain: number
  minutes: number
  expected: number | null
}

export const monthsOf = ({ organisation, timeZone, from, until }: Period): Promise<MonthRow[]> =>
  select<MonthRow>(
    `${OWN} SELECT to_char(closed_at AT TIME ZONE $4, 'YYYY-MM') AS month, count(*)::int AS jobs,
       count(*) FILTER (WHERE at_once)::int AS first_visit, count(*) FILTER (WHERE back)::int AS call_backs,
       sum(in_vain)::int AS in_vain, percentile_cont(0.5) WITHIN GROUP (ORDER BY minutes) AS minutes,
       percentile_cont(0.5) WITHIN GROUP (ORDER BY expected) AS expected
     FROM own GROUP BY 1 ORDER BY 1`,
    [organisation, from, until, timeZone],
  )

export interface CauseRow {
  sheet: string
  repair: string
  jobs: number
  call_backs: number
}

export const causesOf = ({ organisation, from, until }: Period): Promise<CauseRow[]> =>
  select<CauseRow>(
    `${OWN} SELECT sheet, repair, count(*)::int AS jobs, count(*) FILTER (WHERE back)::int AS call_backs
     FROM own GROUP BY sheet, repair ORDER BY jobs DESC, sheet, repair LIMIT 1000`,
    [organisation, from, until],
  )

export async function againstExpected({ organisation, from, until }: Period) {
  const [row] = await select<{ jobs: number; q: number[] | null }>(
    `SELECT count(*)::int AS jobs, percentile_cont(ARRAY[0.1, 0.5, 0.9]) WITHIN GROUP (ORDER BY minutes / expected) AS q
     FROM job_results WHERE organisation_id = $1 AND closed_at >= $2 AND closed_at < $3 AND expected >= 1 AND repair <> ''`,
    [organisation, from, until],
  )
  return row!
}

/** Notes what the engine would have expected of a job when it came; once. */
export const writeExpected = (job: string, minutes: number) =>
  select('UPDATE job_results SET expected = $2 WHERE job_id = $1 AND expected IS NULL RETURNING job_id', [job, minutes])

/** A closed job of which nothing is expected yet. */
export async function withoutExpected(job: string): Promise<{ revision: string | null; sheet: string } | undefined> {
  const [row] = await select<{ revision: string | null; sheet: string }>(
    `SELECT j.revision, r.sheet FROM job_results r JOIN jobs j ON j.id = r.job_id WHERE r.job_id = $1 AND r.expected IS NULL`,
    [job],
  )
  return row
}

/** Repairs that a machine needed more than once within so many days, the last of them first. */
export const repeatedRepairs = (
  organisation: string,
  unit: string,
  days: number,
): Promise<{ repair: string; title: string; times: number; last: Date }[]> =>
  select(
    `SELECT r.repair, max(j.standing->'closed'->>'text') AS title, count(*)::int AS times, max(r.closed_at) AS last
     FROM job_results r JOIN jobs j ON j.id = r.job_id
     WHERE r.organisation_id = $1 AND r.unit_id = $2 AND r.repair <> '' AND r.closed_at > now() - make_interval(days => $3)
     GROUP BY r.repair HAVING count(*) > 1 ORDER BY last DESC LIMIT 20`,
    [organisation, unit, days],
  )

export interface ReadingRow {
  job: string
  test: string
  at: Date
  si: number
  text: string
}

const STANDS = `e.job_id = j.id AND NOT (j.standing->'gone') ? e.id::text`

/** Every number ever read at a machine with the meter that its test asks for, the oldest first; what was taken back is left out. */
export const readingsOfUnit = (organisation: string, unit: string, most: number): Promise<ReadingRow[]> =>
  select<ReadingRow>(
    `SELECT * FROM (
       SELECT j.id AS job, e.payload->>'test' AS test, e.at, (e.payload->'value'->>'si')::float8 AS si, e.payload->>'text' AS text
       FROM jobs j JOIN job_events e ON ${STANDS}
       WHERE j.organisation_id = $1 AND j.unit_id = $2 AND e.payload->>'type' = 'reading' AND e.payload->'value'->>'type' = 'value'
         AND NOT e.payload ? 'instrument'
       ORDER BY e.at DESC LIMIT $3) newest ORDER BY at`,
    [organisation, unit, most],
  )

export interface SettingRow {
  setting: string
  as: 'found' | 'left'
  text: string
  at: Date
  job: string
}

/** How what is set on a machine was found and left, the newest first. */
export const settingsOfUnit = (organisation: string, unit: string, most: number): Promise<SettingRow[]> =>
  select<SettingRow>(
    `SELECT e.payload->>'setting' AS setting, e.payload->>'as' AS "as", e.payload->>'text' AS text, e.at, j.id AS job
     FROM jobs j JOIN job_events e ON ${STANDS}
     WHERE j.organisation_id = $1 AND j.unit_id = $2 AND e.payload->>'type' = 'setting' ORDER BY e.at DESC LIMIT $3`,
    [organisation, unit, most],
  )

export const photosOfUnit = (
  organisation: string,
  unit: string,
  most: number,
): Promise<{ photo: string; about: string; text: string; at: Date; job: string }[]> =>
  select(
    `SELECT e.payload->>'photo' AS photo, COALESCE(e.payload->>'about', '') AS about, COALESCE(e.payload->>'text', '') AS text, e.at, j.id AS job
     FROM jobs j JOIN job_events e ON ${STANDS}
     WHERE j.organisation_id = $1 AND j.unit_id = $2 AND e.payload->>'type' = 'photo' ORDER BY e.at DESC LIMIT $3`,
    [organisation, unit, most],
  )
