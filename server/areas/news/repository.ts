import pg from 'pg'
import { QueryTypes } from 'sequelize'
import { database, databaseUrl } from '../../platform/database'

const CHANNEL = 'duckweed_news'

/** Tells every process that listens. A notification holds 8,000 bytes. */
export async function notify(payload: string): Promise<void> {
  await database().query(`SELECT pg_notify('${CHANNEL}', $1)`, { bind: [payload], type: QueryTypes.SELECT })
}

/**
 * Listens on a connection of its own.
 *
 * @param lost called once when it cannot be made or breaks
 * @returns whether it stands
 */
export async function listenTo(heard: (payload: string) => void, lost: () => void): Promise<boolean> {
  const client = new pg.Client({ connectionString: databaseUrl(), keepAlive: true, connectionTimeoutMillis: 4000 })
  let over = false
  const end = () => {
    if (over) return
    over = true
    client.on('error', () => undefined)
    void client.end().catch(() => undefined)
    lost()
  }
  client.on('error', end)
  client.on('end', end)
  client.on('notification', ({ payload }) => payload && heard(payload))
  try {
    await client.connect()
    await client.query(`LISTEN ${CHANNEL}`)
    return true
  } catch {
    end()
    return false
  }
}
