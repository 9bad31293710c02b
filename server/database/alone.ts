import type { Sequelize } from 'sequelize'

/** What processes that prepare one database at once wait for; any number that nothing else uses. */
const LOCK = 7_301_977

/**
 * Does something while no other process does the same on this database: who comes second waits, and finds it done. A connection holds the
 * lock; when its process dies, it is free.
 */
export const alone = <T>(owner: Sequelize, work: () => Promise<T>): Promise<T> =>
  owner.transaction(async (transaction) => {
    await owner.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCK], transaction })
    return work()
  })
