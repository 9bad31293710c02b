import type { Sequelize } from 'sequelize'

export const name = '0012-parts'

/**
 * Parts of an organisation, and what was moved of them: what lies where is kept beside the moves that made it, and may fall below zero
 * only by what a job used that was never booked in.
 */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    CREATE TABLE parts (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      number text NOT NULL,
      title text NOT NULL,
      kind text NOT NULL DEFAULT '',
      fits text[] NOT NULL DEFAULT '{}',
      kit text[] NOT NULL DEFAULT '{}',
      substitutes text[] NOT NULL DEFAULT '{}',
      volts text NOT NULL DEFAULT '',
      degrees text NOT NULL DEFAULT '',
      contact text NOT NULL DEFAULT '',
      thread text NOT NULL DEFAULT '',
      price_minor integer CHECK (price_minor >= 0),
      reorder_at integer NOT NULL DEFAULT 0 CHECK (reorder_at >= 0),
      retired_at timestamptz
    );
    CREATE UNIQUE INDEX parts_number ON parts (organisation_id, lower(number));
    CREATE INDEX parts_fits ON parts USING gin (fits);
    CREATE TABLE stock_moves (
      id uuid PRIMARY KEY,
      organisation_id uuid NOT NULL REFERENCES organisations,
      part_id uuid NOT NULL REFERENCES parts,
      type text NOT NULL CHECK (type IN ('moved', 'received', 'counted', 'used', 'put-back')),
      from_store text,
      to_store text,
      count integer NOT NULL CHECK (count >= 0),
      job_id uuid REFERENCES jobs,
      moved_by uuid NOT NULL REFERENCES users,
      moved_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX stock_moves_part ON stock_moves (part_id, moved_at);
    CREATE TABLE stock_levels (
      part_id uuid NOT NULL REFERENCES parts,
      store text NOT NULL,
      count integer NOT NULL,
      PRIMARY KEY (part_id, store)
    );
  `)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query('DROP TABLE stock_levels; DROP TABLE stock_moves; DROP TABLE parts')
}
