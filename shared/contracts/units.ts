import { z } from 'zod'
import { contract, EVERYBODY, id, idParam, line, MANY, query } from './contract'

/** A machine that a customer owns. */
export const unit = z.object({
  id,
  title: z.string(),
  serial: z.string(),
  sheet: z.string(),
  sheetTitle: z.string(),
  /** The newest revision of its sheet; a job begun now is begun with it. */
  revision: z.string(),
  customer: z.object({ id, name: z.string() }),
  site: z.object({ id, name: z.string() }),
  retired: z.boolean(),
  openJobs: z.number(),
})
export type Unit = z.infer<typeof unit>

/** What the sheet of a unit is looked for by, once for each sheet. */
export const sheetWords = z.object({
  words: z.array(z.string()),
  codes: z.array(z.object({ code: z.string(), title: z.string(), means: z.string(), lamps: z.string().optional() })),
})

/** The units of the organisation, all of them: a device keeps them to find one without a connection. */
export const listUnits = contract({
  method: 'GET',
  path: '/api/units',
  roles: EVERYBODY,
  query: z.strictObject({ q: query, retired: z.enum(['true']).optional() }),
  answer: z.object({ units: z.array(unit), sheets: z.record(z.string(), sheetWords) }),
})

const visit = z.object({
  id,
  complaints: z.array(z.string()),
  closed: z.boolean(),
  repair: z.string(),
  createdAt: z.string(),
  by: z.string(),
})

/** One unit with its visits, newest first. */
export const readUnit = contract({
  method: 'GET',
  path: '/api/units/:id',
  roles: EVERYBODY,
  params: idParam,
  answer: z.object({ unit, visits: z.array(visit) }),
})

/** A unit as a form writes it. Customer and site are found by name, or made. */
export const unitFields = z.strictObject({
  title: line(120),
  serial: line(80, 0),
  sheet: line(80),
  customer: line(120),
  site: line(120),
})
export type UnitFields = z.infer<typeof unitFields>

export const createUnit = contract({
  method: 'POST',
  path: '/api/units',
  roles: ['lead', 'technician'],
  body: unitFields.extend({ id }),
  answer: z.object({ unit }),
})

export const updateUnit = contract({
  method: 'PUT',
  path: '/api/units/:id',
  roles: ['lead', 'technician'],
  params: idParam,
  body: unitFields.extend({ retired: z.boolean() }),
  answer: z.object({ unit }),
})

/** Customers with their sites, for the forms. */
export const listCustomers = contract({
  method: 'GET',
  path: '/api/customers',
  roles: EVERYBODY,
  answer: z.object({
    customers: z.array(z.object({ id, name: z.string(), sites: z.array(z.object({ id, name: z.string() })) })),
  }),
})

/** Gives a customer another name. */
export const updateCustomer = contract({
  method: 'PUT',
  path: '/api/customers/:id',
  roles: ['lead', 'technician'],
  params: idParam,
  body: z.strictObject({ name: line(120) }),
  answer: z.object({ customer: z.object({ id, name: z.string() }) }),
})

/** Gives a place of a customer another name. */
export const updateSite = contract({
  method: 'PUT',
  path: '/api/sites/:id',
  roles: ['lead', 'technician'],
  params: idParam,
  body: z.strictObject({ name: line(120) }),
  answer: z.object({ site: z.object({ id, name: z.string() }) }),
})

/** Most rows of one file. */
export const MOST_ROWS = 2000

const importBody = z.strictObject({
  commit: z.boolean(),
  rows: z
    .array(z.record(z.string().max(80), z.string().max(400)))
    .min(1)
    .max(MOST_ROWS),
})
const wrongCell = z.object({ row: z.number(), column: z.string(), message: z.string() })

/** Columns of a file of machines; all but the serial must be there. */
export const UNIT_COLUMNS = ['title', 'serial', 'sheet', 'customer', 'site'] as const

/**
 * Units from the rows of a file, all or nothing. Without `commit` nothing is written: the answer is the preview, and
 * names every wrong row.
 */
export const importUnits = contract({
  method: 'POST',
  path: '/api/units/import',
  roles: ['lead', 'technician'],
  most: MANY,
  body: importBody,
  answer: z.object({
    made: z.number(),
    /** Rows count from 1, as the file's lines below its heading do. */
    problems: z.array(wrongCell),
    newCustomers: z.array(z.string()),
    newSites: z.array(z.string()),
  }),
})

/** Columns of a file of customers: a row a place; one without a place is the customer alone. */
export const CUSTOMER_COLUMNS = ['customer', 'site'] as const

/** Customers and their places from the rows of a file, all or nothing; those that are there already stay. */
export const importCustomers = contract({
  method: 'POST',
  path: '/api/customers/import',
  roles: ['lead', 'technician'],
  most: MANY,
  body: importBody,
  answer: z.object({
    problems: z.array(wrongCell),
    newCustomers: z.array(z.string()),
    newSites: z.array(z.string()),
    /** Rows that are there already. */
    there: z.int(),
  }),
})
