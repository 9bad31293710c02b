import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Happening } from '../../core/job'

export class Organisation extends Model<InferAttributes<Organisation>, InferCreationAttributes<Organisation>> {
  declare id: string
  declare name: string
}

export class User extends Model<InferAttributes<User>, InferCreationAttributes<User>> {
  declare id: string
  declare organisationId: string
  declare email: string
  declare name: string
  declare passwordHash: string
}

export class Machine extends Model<InferAttributes<Machine>, InferCreationAttributes<Machine>> {
  declare id: string
  declare organisationId: string
  /** Id of the sheet in the library. */
  declare sheet: string
  declare customer: string
  declare place: string
  declare title: string
}

export class Job extends Model<InferAttributes<Job>, InferCreationAttributes<Job>> {
  declare id: string
  declare organisationId: string
  declare machineId: string
  declare openedBy: string
  declare createdAt: CreationOptional<Date>
}

export class JobEventRow extends Model<InferAttributes<JobEventRow>, InferCreationAttributes<JobEventRow>> {
  declare id: string
  declare jobId: string
  declare userId: string
  declare version: number
  declare at: Date
  declare device: string
  declare what: Happening
  declare receivedAt: CreationOptional<Date>
}

// Fresh objects each time: Sequelize writes the name of the attribute into its definition.
const uuid = () => ({ type: DataTypes.UUID, allowNull: false })
const text = () => ({ type: DataTypes.TEXT, allowNull: false })

/** Binds the models to a connection. The tables are made by the migrations, never from here. */
export function defineModels(sequelize: Sequelize): void {
  const common = { sequelize, timestamps: false, underscored: true }
  const id = () => ({ ...uuid(), primaryKey: true })
  Organisation.init({ id: id(), name: text() }, { ...common, tableName: 'organisations' })
  User.init(
    { id: id(), organisationId: uuid(), email: text(), name: text(), passwordHash: text() },
    { ...common, tableName: 'users' },
  )
  Machine.init(
    { id: id(), organisationId: uuid(), sheet: text(), customer: text(), place: text(), title: text() },
    { ...common, tableName: 'machines' },
  )
  Job.init(
    { id: id(), organisationId: uuid(), machineId: uuid(), openedBy: uuid(), createdAt: DataTypes.DATE },
    { ...common, tableName: 'jobs' },
  )
  JobEventRow.init(
    {
      id: id(),
      jobId: uuid(),
      userId: uuid(),
      version: DataTypes.INTEGER,
      at: DataTypes.DATE,
      device: text(),
      what: DataTypes.JSONB,
      receivedAt: DataTypes.DATE,
    },
    { ...common, tableName: 'job_events' },
  )
}
