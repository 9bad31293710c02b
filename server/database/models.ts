import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { JobStanding, Role, SheetFacts } from '../../core/job'

type Row<M extends Model> = InferAttributes<M>
type New<M extends Model> = InferCreationAttributes<M>

export class Organisation extends Model<Row<Organisation>, New<Organisation>> {
  declare id: string
  declare name: string
  declare timeZone: CreationOptional<string>
  declare currency: CreationOptional<string>
  /** What an hour of work costs, in minor units. */
  declare hourMinor: CreationOptional<number>
}

export class User extends Model<Row<User>, New<User>> {
  declare id: string
  declare organisationId: string
  declare email: string
  declare name: string
  declare role: CreationOptional<Role>
  declare passwordHash: string
  /** Since when somebody works here no more. */
  declare leftAt: CreationOptional<Date | null>
  declare kit: CreationOptional<{
    lacking: string[]
    beepsBelow?: number | undefined
    accuracy?: Record<string, number> | undefined
  } | null>
}

export class Session extends Model<Row<Session>, New<Session>> {
  declare id: string
  declare tokenHash: Buffer
  declare userId: string
  declare device: string
  declare createdAt: CreationOptional<Date>
  declare seenAt: CreationOptional<Date>
  declare expiresAt: Date
}

export interface SheetFile {
  id: string
  file: string
  text: string
}

export class SheetRevision extends Model<Row<SheetRevision>, New<SheetRevision>> {
  declare hash: string
  declare sheet: string
  declare number: number
  declare language: number
  declare title: string
  declare files: SheetFile[]
  declare facts: SheetFacts
  declare publishedAt: CreationOptional<Date>
}

/** What a device needs of a revision for its first advice, as one state of the engine computes it. */
export class SheetPredictions extends Model<Row<SheetPredictions>, New<SheetPredictions>> {
  declare revision: string
  declare engine: string
  declare bytes: Buffer
}

export class Customer extends Model<Row<Customer>, New<Customer>> {
  declare id: string
  declare organisationId: string
  declare name: string
}

export class Site extends Model<Row<Site>, New<Site>> {
  declare id: string
  declare customerId: string
  declare name: string
}

export class Unit extends Model<Row<Unit>, New<Unit>> {
  declare id: string
  declare organisationId: string
  declare siteId: string
  /** Id of its sheet; which revision is current is looked up. */
  declare sheet: string
  declare title: string
  declare serial: CreationOptional<string>
  declare retiredAt: CreationOptional<Date | null>
}

export interface ListedWords {
  title: string
  customer: string
  place: string
  complaints: string[]
  openedBy: string
}

export class Job extends Model<Row<Job>, New<Job>> {
  declare id: string
  declare organisationId: string
  declare unitId: string
  declare revision: string | null
  declare openedBy: string
  declare createdAt: CreationOptional<Date>
  declare seq: number
  declare standing: JobStanding | null
  /** What a list shows of it that belongs to others: machine, customer, place, complaints in words, who opened it. */
  declare listed: ListedWords | object
  declare closedAt: Date | null
  declare bypassed: boolean
  declare touchedAt: Date
  declare touchedBy: string
}

export class JobEventRow extends Model<Row<JobEventRow>, New<JobEventRow>> {
  declare id: string
  declare jobId: string
  declare userId: string
  declare version: number
  declare at: Date
  declare device: string
  declare payload: unknown
  declare receivedAt: CreationOptional<Date>
  declare seq: number
  declare ordinal: number | null
  declare baseSeq: number | null
}

export class Photo extends Model<Row<Photo>, New<Photo>> {
  declare organisationId: string
  declare hash: string
  declare bytes: Buffer
  declare createdBy: string
  declare createdAt: CreationOptional<Date>
}

export class MeterRow extends Model<Row<MeterRow>, New<MeterRow>> {
  declare id: string
  declare organisationId: string
  declare name: string
  declare host: string
  declare port: number
  declare allowedBy: string
  declare allowedAt: CreationOptional<Date>
}

// Fresh objects each time: Sequelize writes the name of the attribute into its definition.
const uuid = () => ({ type: DataTypes.UUID, allowNull: false })
const text = () => ({ type: DataTypes.TEXT, allowNull: false })
const integer = () => ({ type: DataTypes.INTEGER, allowNull: false })
const json = () => ({ type: DataTypes.JSONB, allowNull: false })
const moment = () => ({ type: DataTypes.DATE, allowNull: false })
/** Filled in by the database. */
const given = () => DataTypes.DATE

/** Binds the models to a connection. The tables are made by the migrations, never from here. */
// eslint-disable-next-line max-lines-per-function -- one declaration a table
export function defineModels(sequelize: Sequelize): void {
  const common = { sequelize, timestamps: false, underscored: true }
  const id = () => ({ ...uuid(), primaryKey: true })
  Organisation.init(
    { id: id(), name: text(), timeZone: DataTypes.TEXT, currency: DataTypes.TEXT, hourMinor: DataTypes.INTEGER },
    { ...common, tableName: 'organisations' },
  )
  User.init(
    {
      id: id(),
      organisationId: uuid(),
      email: text(),
      name: text(),
      role: DataTypes.TEXT,
      passwordHash: text(),
      leftAt: DataTypes.DATE,
      kit: DataTypes.JSONB,
    },
    { ...common, tableName: 'users' },
  )
  Session.init(
    {
      id: id(),
      tokenHash: { type: DataTypes.BLOB, allowNull: false },
      userId: uuid(),
      device: text(),
      createdAt: given(),
      seenAt: given(),
      expiresAt: moment(),
    },
    { ...common, tableName: 'sessions' },
  )
  SheetRevision.init(
    {
      hash: { ...text(), primaryKey: true },
      sheet: text(),
      number: integer(),
      language: integer(),
      title: text(),
      files: json(),
      facts: json(),
      publishedAt: given(),
    },
    { ...common, tableName: 'sheet_revisions' },
  )
  SheetPredictions.init(
    {
      revision: { ...text(), primaryKey: true },
      engine: { ...text(), primaryKey: true },
      bytes: { type: DataTypes.BLOB, allowNull: false },
    },
    { ...common, tableName: 'sheet_predictions' },
  )
  Customer.init({ id: id(), organisationId: uuid(), name: text() }, { ...common, tableName: 'customers' })
  Site.init({ id: id(), customerId: uuid(), name: text() }, { ...common, tableName: 'sites' })
  Unit.init(
    {
      id: id(),
      organisationId: uuid(),
      siteId: uuid(),
      sheet: text(),
      title: text(),
      serial: DataTypes.TEXT,
      retiredAt: DataTypes.DATE,
    },
    { ...common, tableName: 'units' },
  )
  Job.init(
    {
      id: id(),
      organisationId: uuid(),
      unitId: uuid(),
      revision: DataTypes.TEXT,
      openedBy: uuid(),
      createdAt: given(),
      seq: integer(),
      standing: DataTypes.JSONB,
      listed: json(),
      closedAt: DataTypes.DATE,
      bypassed: { type: DataTypes.BOOLEAN, allowNull: false },
      touchedAt: moment(),
      touchedBy: uuid(),
    },
    { ...common, tableName: 'jobs' },
  )
  JobEventRow.init(
    {
      id: id(),
      jobId: uuid(),
      userId: uuid(),
      version: integer(),
      at: moment(),
      device: text(),
      payload: json(),
      receivedAt: given(),
      seq: integer(),
      ordinal: DataTypes.INTEGER,
      baseSeq: DataTypes.INTEGER,
    },
    { ...common, tableName: 'job_events' },
  )
  MeterRow.init(
    {
      id: id(),
      organisationId: uuid(),
      name: text(),
      host: text(),
      port: integer(),
      allowedBy: uuid(),
      allowedAt: given(),
    },
    { ...common, tableName: 'meters' },
  )
  Photo.init(
    {
      organisationId: { ...uuid(), primaryKey: true },
      hash: { ...text(), primaryKey: true },
      bytes: { type: DataTypes.BLOB, allowNull: false },
      createdBy: uuid(),
      createdAt: given(),
    },
    { ...common, tableName: 'photos' },
  )
}
