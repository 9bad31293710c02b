import { BaseError, UniqueConstraintError, ForeignKeyConstraintError, type Sequelize } from 'sequelize'
import { connect } from '../database/connection'
import { defineModels } from '../database/models'
import { refuse } from './refuse'

let sequelize: Sequelize | undefined

/** The connection pool of this server, opened on first use. */
export function database(): Sequelize {
  if (!sequelize) {
    sequelize = connect(useRuntimeConfig().databaseUrl || process.env.DATABASE_URL || '')
    defineModels(sequelize)
  }
  return sequelize
}

/** Runs database work; a database that cannot be reached becomes a plain 503. */
export async function withDatabase<T>(work: (db: Sequelize) => Promise<T>): Promise<T> {
  try {
    return await work(database())
  } catch (error) {
    // Two senders of one new id at the same instant: the slower one asks again and finds it there.
    if (error instanceof UniqueConstraintError)
      throw refuse(409, 'id-taken', 'This id was taken a moment ago. Send it again.')
    if (error instanceof ForeignKeyConstraintError) throw error
    if (error instanceof BaseError) {
      console.error(`database: ${error.message}`)
      throw refuse(
        503,
        'database-away',
        'The database cannot be reached. What you entered is kept here and sent when it is back.',
      )
    }
    throw error
  }
}
