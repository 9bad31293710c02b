import { createError } from 'h3'
import type { z } from 'zod'
import type { ErrorAnswer } from '../error-handler'

/** An error answer with a code of ours. */
export const refuse = (
  statusCode: number,
  code: string,
  message: string,
  problems?: ErrorAnswer['error']['problems'],
) => createError({ statusCode, message, data: { code, problems } })

/** Checks a request against a shape; the first line says what is wrong, the list says where. */
export function shaped<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  throw refuse(
    400,
    'wrong-shape',
    'Part of this request is missing or has the wrong form.',
    parsed.error.issues.map((i) => ({
      path: i.path.filter((x): x is string | number => typeof x !== 'symbol'),
      message: i.message,
    })),
  )
}
