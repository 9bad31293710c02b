import pg from 'pg'
import { MeterRow } from '../../database/models'
import { databaseUrl } from '../../platform/database'

/** Class of the advisory locks by which one process owns a meter. */
const METER_LOCKS = 7001

export const metersOf = (organisation: string): Promise<MeterRow[]> =>
  MeterRow.findAll({ where: { organisationId: organisation }, order: ['name'] })

export const findMeter = (organisation: string, id: string): Promise<MeterRow | null> =>
  MeterRow.findOne({ where: { organisationId: organisation, id } })

/** Writes a meter down; one of another organisation is left alone. @returns whether it stands there now */
export async function writeMeter(row: {
  id: string
  organisationId: string
  name: string
  host: string
  port: number
  allowedBy: string
}): Promise<boolean> {
  const there = await MeterRow.findByPk(row.id)
  if (there && there.organisationId !== row.organisationId) return false
  await MeterRow.upsert(row)
  return true
}

export const deleteMeter = (organisation: string, id: string): Promise<number> =>
  MeterRow.destroy({ where: { organisationId: organisation, id } })

/**
 * Owns a meter by an advisory lock on a connection of its own, for as long as that stands.
 *
 * @param lost called once when the connection breaks: the meter may be another's then
 * @returns how to let it go; `undefined` while another process owns it
 */
export async function ownMeter(id: string, lost: () => void): Promise<(() => void) | undefined> {
  const client = new pg.Client({ connectionString: databaseUrl(), keepAlive: true, connectionTimeoutMillis: 4000 })
  let over = false
  const end = (tell: boolean) => {
    if (over) return
    over = true
    client.on('error', () => undefined)
    void client.end().catch(() => undefined)
    if (tell) lost()
  }
  client.on('error', () => end(true))
  client.on('end', () => end(true))
  try {
    await client.connect()
    const { rows } = await client.query<{ own: boolean }>('SELECT pg_try_advisory_lock($1, hashtext($2)) AS own', [
      METER_LOCKS,
      id,
    ])
    if (rows[0]?.own) return () => end(false)
    end(false)
    return undefined
  } catch (error) {
    end(false)
    throw error
  }
}
