import pg from 'pg'
import { QueryTypes, Sequelize, type Transaction } from 'sequelize'
import { defineModels } from '../database/models'
import { databaseError } from './errors'

/** Connections of one server process, and how long a request waits for one, ms. */
const CONNECTIONS = 10
const LONGEST_WAIT = 8000
/**
 * How long a request waits for the database, ms: for a row that another one has locked, for a statement (said by the database), for an
 * answer of a database that says nothing any more, and for whoever opened a transaction and does nothing with it.
 */
const LIMITS = {
  lock_timeout: 6000,
  statement_timeout: 10_000,
  query_timeout: 12_000,
  idle_in_transaction_session_timeout: 120_000,
} as const

/**
 * Opens a pool. Connections that fail are given up after four seconds, so that a missing database is noticed.
 *
 * @param options `patient`: a command that nobody waits for in a request, on a machine that may be busy with it
 */
export const connect = (url: string, { patient = false } = {}): Sequelize =>
  new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: pg,
    logging: false,
    pool: { max: CONNECTIONS, acquire: patient ? 60_000 : LONGEST_WAIT },
    dialectOptions: { connectionTimeoutMillis: patient ? 60_000 : 4000, keepAlive: true, ...(patient ? {} : LIMITS) },
  })

let sequelize: Sequelize | undefined

/** Where the database of this process is, as the server was told. */
export const databaseUrl = (): string => process.env.NUXT_DATABASE_URL ?? process.env.DATABASE_URL ?? ''

/** The connection pool of this process, opened on first use. */
export function database(): Sequelize {
  if (!sequelize) {
    sequelize = connect(databaseUrl())
    defineModels(sequelize)
  }
  return sequelize
}

/** Rows of one statement. */
export const select = <T extends object>(
  text: string,
  bind: readonly unknown[],
  transaction?: Transaction,
): Promise<T[]> => database().query<T>(text, { bind: [...bind], type: QueryTypes.SELECT, transaction })

/** Has tests and commands use a pool of their own. */
export function useDatabase(own: Sequelize): void {
  sequelize = own
  defineModels(own)
}

/** Runs database work; a database that cannot be reached becomes a plain 503. */
export async function withDatabase<T>(work: () => Promise<T>): Promise<T> {
  database()
  try {
    return await work()
  } catch (error) {
    throw databaseError(error)
  }
}

export const inTransaction = <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> =>
  database().transaction(work)
