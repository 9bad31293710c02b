import { createError } from 'h3'
import { BaseError, ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize'
import type { z } from 'zod'
import { describeAnswer, type AnswerCode } from '../../core/words'
import type { ErrorAnswer } from '../../shared/contracts/contract'

type Problems = ErrorAnswer['error']['problems']

/**
 * An error answer with a code of ours.
 *
 * @param fact what its sentence names
 * @param retryAfter when it may be asked again, s
 */
export const apiError = (
  statusCode: number,
  code: AnswerCode,
  fact?: string,
  problems?: Problems,
  retryAfter?: number,
) => createError({ statusCode, message: describeAnswer(code, fact), data: { code, problems, retryAfter } })

export const notFound = (what: string) => apiError(404, 'not-found', what)

/** How much of what was wrong is said back. */
const MOST_PROBLEMS = 20
const DEEPEST_PATH = 12
const LONGEST_NAME = 80
const LONGEST_MESSAGE = 200

/** Checks part of a request against its contract; the first line says what is wrong, the list says where. */
export function parsePart<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  throw apiError(
    400,
    'wrong-shape',
    undefined,
    parsed.error.issues.slice(0, MOST_PROBLEMS).map((i) => ({
      path: i.path
        .slice(0, DEEPEST_PATH)
        .filter((x): x is string | number => typeof x !== 'symbol')
        .map((x) => (typeof x === 'string' ? x.slice(0, LONGEST_NAME) : x)),
      message: i.message.slice(0, LONGEST_MESSAGE),
    })),
  )
}

/** Classes of SQLSTATE that a request's own data bring about: the request is at fault, not the database. */
const BY_DATA = /^(22|23|54)/
const stateOf = (error: BaseError): string => {
  const { original, parent } = error as { original?: { code?: unknown }; parent?: { code?: unknown } }
  return String((original ?? parent)?.code ?? '')
}

/** What the driver says, without a code, of a connection that went away just as it was taken. */
const LOST = /not queryable|Connection terminated|Client was closed/
const isLost = (error: unknown): error is Error =>
  error instanceof Error && !('statusCode' in error) && LOST.test(error.message)

/** What a failure of the database means to whoever asked; other errors pass as they are. */
export function databaseError(error: unknown): unknown {
  if (!(error instanceof BaseError) && !isLost(error)) return error
  // Two senders of one new id at the same instant: the slower one asks again and finds it there.
  if (error instanceof UniqueConstraintError) return apiError(409, 'taken')
  if (error instanceof ForeignKeyConstraintError || BY_DATA.test(stateOf(error))) return apiError(422, 'cannot-be-kept')
  console.error(`database: ${error.message}`)
  return apiError(503, 'database-away')
}
