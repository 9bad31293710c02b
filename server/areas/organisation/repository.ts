import { QueryTypes } from 'sequelize'
import type { Rules } from '../../../shared/contracts/organisation'
import { database } from '../../platform/database'

export async function findRules(organisation: string): Promise<Rules> {
  const [row] = await database().query<Rules>(
    `SELECT hour_minor AS "hourMinor", work_begins AS "workBegins", work_ends AS "workEnds", travel_minutes AS "travelMinutes",
       keep_papers_months AS "keepPapersMonths" FROM organisations WHERE id = $1`,
    { bind: [organisation], type: QueryTypes.SELECT },
  )
  return row!
}

export async function updateRules(organisation: string, rules: Rules): Promise<void> {
  const { hourMinor, workBegins, workEnds, travelMinutes, keepPapersMonths } = rules
  await database().query(
    `UPDATE organisations SET hour_minor = $2, work_begins = $3, work_ends = $4, travel_minutes = $5, keep_papers_months = $6
     WHERE id = $1`,
    { bind: [organisation, hourMinor, workBegins, workEnds, travelMinutes, keepPapersMonths] },
  )
}
