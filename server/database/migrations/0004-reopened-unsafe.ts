import type { Sequelize } from 'sequelize'

export const name = '0004-reopened-unsafe'

/** A reopening takes back what was made safe before it: jobs that had one are folded anew. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `UPDATE jobs SET standing = NULL
     WHERE id IN (SELECT job_id FROM job_events WHERE COALESCE(payload->>'type', payload->>'is') = 'reopened')`,
  )
}

export async function down(): Promise<void> {}
