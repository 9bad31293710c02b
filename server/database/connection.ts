import pg from 'pg'
import { Sequelize } from 'sequelize'

/** Opens a pool. Connections that fail are given up after five seconds, so that a missing database is noticed. */
export const connect = (url: string): Sequelize =>
  new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: pg,
    logging: false,
    pool: { max: 10, acquire: 5000 },
    dialectOptions: { connectionTimeoutMillis: 4000 },
  })
