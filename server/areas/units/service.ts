import type { Transaction } from 'sequelize'
import { v7 as uuidv7 } from 'uuid'
import type { Person } from '../../../shared/contracts/session'
import type { Unit, UnitFields } from '../../../shared/contracts/units'
import { now } from '../../platform/clock'
import { inTransaction } from '../../platform/database'
import { apiError, notFound } from '../../platform/errors'
import { currentSheets, listSheets } from '../sheets/service'
import * as rows from './repository'

const toUnit = (row: rows.UnitRow): Unit => ({
  id: row.id,
  title: row.title,
  serial: row.serial,
  sheet: row.sheet,
  sheetTitle: row.sheet_title ?? row.sheet,
  revision: row.revision ?? '',
  customer: { id: row.customer_id, name: row.customer },
  site: { id: row.site_id, name: row.site },
  retired: row.retired,
  openJobs: row.open_jobs,
})

/** The units of an organisation, with the words of their sheets, each sheet once. */
export async function listUnits(who: Person, q = '', retired = false) {
  const words = q.split(/\s+/).filter(Boolean).slice(0, 8)
  const units = (await rows.listUnits(who.organisation, words, retired)).map(toUnit)
  const used = new Set(units.map((u) => u.sheet))
  const sheets = Object.fromEntries(
    (await currentSheets())
      .filter((s) => used.has(s.sheet))
      .map(({ sheet, facts }) => [sheet, { words: facts.words, codes: facts.codes }]),
  )
  return { units, sheets }
}

/** A unit of the asking organisation; another's does not exist for this one. */
export async function unitOf(who: Person, id: string): Promise<Unit> {
  const row = await rows.findUnit(id, who.organisation)
  if (!row) throw notFound('machine')
  return toUnit(row)
}

/** A unit with its visits. */
export async function readUnit(who: Person, id: string) {
  const unit = await unitOf(who, id)
  const visits = (await rows.visitsOf(id)).map((v) => ({
    id: v.id,
    complaints: v.complaints ?? [],
    closed: v.closed,
    repair: v.repair ?? '',
    createdAt: v.created_at.toISOString(),
    by: v.by,
  }))
  return { unit, visits }
}

/** Makes a unit with an id that it had elsewhere; its customer and its place are found by their names, or made. */
export async function bringUnit(
  who: Person,
  unit: UnitFields & { id: string },
  transaction: Transaction,
): Promise<void> {
  const siteId = await rows.ensureSite(who.organisation, unit.customer, unit.site, uuidv7, transaction)
  const { id, title, serial, sheet } = unit
  await rows.insertUnits([{ id, organisationId: who.organisation, siteId, title, serial, sheet }], transaction)
}

/** The sheet of a unit that belongs to the asking organisation. */
export const findUnitSheet = (who: Person, id: string, transaction: Transaction) =>
  rows.findUnitSheet(id, who.organisation, transaction)

async function refuseUnknownSheet(sheet: string): Promise<void> {
  if (!(await listSheets()).some((s) => s.id === sheet)) throw apiError(422, 'unknown-sheet')
}

export async function createUnit(who: Person, { id, ...fields }: UnitFields & { id: string }): Promise<Unit> {
  await refuseUnknownSheet(fields.sheet)
  await inTransaction((t) => bringUnit(who, { id, ...fields }, t))
  return unitOf(who, id)
}

export async function updateUnit(who: Person, id: string, fields: UnitFields & { retired: boolean }): Promise<Unit> {
  await refuseUnknownSheet(fields.sheet)
  await inTransaction(async (t) => {
    const siteId = await rows.ensureSite(who.organisation, fields.customer, fields.site, uuidv7, t)
    const { title, serial, sheet } = fields
    const retiredAt = fields.retired ? now() : null
    if (!(await rows.updateUnit(id, who.organisation, { siteId, title, serial, sheet, retiredAt }, t)))
      throw notFound('machine')
    await rows.renameInJobs('unit', id, t)
  })
  return unitOf(who, id)
}

export const listCustomers = (who: Person) => rows.listCustomers(who.organisation)

export async function renameCustomer(who: Person, id: string, name: string) {
  await inTransaction(async (t) => {
    if (!(await rows.renameCustomer(id, who.organisation, name, t))) throw notFound('customer')
    await rows.renameInJobs('customer', id, t)
  })
  return { id, name }
}

export async function renameSite(who: Person, id: string, name: string) {
  await inTransaction(async (t) => {
    if (!(await rows.renameSite(id, who.organisation, name, t))) throw notFound('place')
    await rows.renameInJobs('site', id, t)
  })
  return { id, name }
}
