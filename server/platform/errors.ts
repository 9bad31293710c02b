import { createError } from 'h3'
import { BaseError, ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize'
import type { z } from 'zod'
import type { ErrorAnswer } from '../../shared/contracts/contract'

type Problems = ErrorAnswer['error']['problems']

/** An error answer with a code of ours. */
export const apiError = (statusCode: number, code: string, message: string, problems?: Problems) =>
  createError({ statusCode, message, data: { code, problems } })

export const notFound = (what: string) => apiError(404, 'not-found', `There is no such ${what}.`)

/** Checks part of a request against its contract; the first line says what is wrong, the list says where. */
export function parsePart<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  throw apiError(
    400,
    'wrong-shape',
    'Part of this request is missing or has the wrong form.',
    parsed.error.issues.slice(0, 20).map((i) => ({
      path: i.path.filter((x): x is string | number => typeof x !== 'symbol'),
      message: i.message,
    })),
  )
}

/** Classes of SQLSTATE that a request's own data bring about: the request is at fault, not the database. */
const BY_DATA = /^(22|23|54)/
const stateOf = (error: BaseError): string => {
  const { original, parent } = error as { original?: { code?: unknown }; parent?: { code?: unknown } }
  return String((original ?? parent)?.code ?? '')
}

/** What a failure of the database means to whoever asked; other errors pass as they are. */
export function databaseError(error: unknown): unknown {
  if (!(error instanceof BaseError)) return error
  // Two senders of one new id at the same instant: the slower one asks again and finds it there.
  if (error instanceof UniqueConstraintError) return apiError(409, 'taken', 'This was made a moment ago. Look again.')
  if (error instanceof ForeignKeyConstraintError || BY_DATA.test(stateOf(error)))
    return apiError(422, 'cannot-be-kept', 'Something in this cannot be kept as it is.')
  console.error(`database: ${error.message}`)
  return apiError(
    503,
    'database-away',
    'The database cannot be reached. What you entered is kept here and sent when it is back.',
  )
}
