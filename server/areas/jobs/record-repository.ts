import { QueryTypes } from 'sequelize'
import type { z } from 'zod'
import type { readShopRecord } from '../../../shared/contracts/jobs'
import { database } from '../../platform/database'

const DAY = 86_400_000

type ClosedJob = z.infer<(typeof readShopRecord)['answer']>['jobs'][number]

/** Whose record is asked for, and until when: what came later says nothing of a job that was there before. */
interface Asked {
  organisation: string
  sheet: string
  until: Date
}

/** Midnight after a moment, UTC. */
const endOfDay = (moment: Date): Date => new Date(Math.ceil((moment.getTime() + 1) / DAY) * DAY)

/**
 * Years that units of a sheet have been looked after, all together; a day that has begun counts whole, so that it is one number
 * all day. Units of later, and what became of the others later, are left out.
 */
export async function machineYears({ organisation, sheet, until }: Asked): Promise<number> {
  const [row] = await database().query<{ years: number }>(
    `SELECT COALESCE(sum(EXTRACT(EPOCH FROM CASE WHEN retired_at < $3 THEN retired_at ELSE $4::timestamptz END - created_at)), 0)::float8
       / 31557600 AS years
     FROM units WHERE organisation_id = $1 AND sheet = $2 AND created_at < $3`,
    { bind: [organisation, sheet, until, endOfDay(until)], type: QueryTypes.SELECT },
  )
  return Math.max(0, row!.years)
}

/**
 * The newest closed jobs on units of a sheet, with what was read in them: one statement.
 *
 * @param tests ids of the tests whose readings are wanted
 */
export function closedJobs(
  { organisation, sheet, until }: Asked,
  tests: readonly string[],
  most: number,
): Promise<ClosedJob[]> {
  return database().query<ClosedJob>(
    `SELECT j.standing->'closed'->>'repair' AS repair,
       COALESCE(jsonb_agg(e.payload->'action'->>'target' ORDER BY e.seq) FILTER (WHERE e.payload->>'type' = 'action'), '[]') AS "inVain",
       COALESCE(jsonb_agg(jsonb_build_object('test', e.payload->>'test', 'si', e.payload->'value'->'si') ORDER BY e.seq)
         FILTER (WHERE e.payload->>'type' = 'reading'), '[]') AS readings
     FROM (
       SELECT j.id, j.standing, j.closed_at FROM units u JOIN jobs j ON j.unit_id = u.id
       WHERE u.organisation_id = $1 AND u.sheet = $2 AND j.closed_at < $3
         AND j.standing->'closed'->>'repair' <> ''
       ORDER BY j.closed_at DESC, j.id LIMIT $5) j
       LEFT JOIN job_events e ON e.job_id = j.id AND NOT (j.standing->'gone') ? e.id::text
         AND ((e.payload->>'type' = 'action' AND e.payload->'action'->>'verb' = 'repair')
           OR (e.payload->>'type' = 'reading' AND e.payload->'value'->>'type' = 'value' AND NOT e.payload ? 'instrument'
             AND e.payload->>'test' = ANY($4::text[])))
     GROUP BY j.id, j.standing, j.closed_at ORDER BY j.closed_at DESC, j.id`,
    { bind: [organisation, sheet, until, tests, most], type: QueryTypes.SELECT },
  )
}
