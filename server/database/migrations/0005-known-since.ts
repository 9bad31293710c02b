import type { Sequelize } from 'sequelize'

export const name = '0005-known-since'

/** Since when a unit is looked after: units that were there before count from their first job. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    ALTER TABLE units ADD COLUMN created_at timestamptz NOT NULL DEFAULT now();
    UPDATE units u SET created_at = j.first
      FROM (SELECT unit_id, min(created_at) AS first FROM jobs GROUP BY unit_id) j WHERE j.unit_id = u.id;
    CREATE INDEX units_by_sheet ON units (organisation_id, sheet);
    CREATE INDEX jobs_closed_by_unit ON jobs (unit_id, closed_at DESC) WHERE closed_at IS NOT NULL;
  `)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    DROP INDEX jobs_closed_by_unit;
    DROP INDEX units_by_sheet;
    ALTER TABLE units DROP COLUMN created_at;
  `)
}
