import { setResponseHeader, setResponseStatus, send, type H3Event } from 'h3'
import type { ErrorAnswer } from '../../shared/contracts/contract'

interface Thrown {
  statusCode?: number
  message?: string
  unhandled?: boolean
  data?: { code?: string; problems?: ErrorAnswer['error']['problems'] }
}

const PLAIN: Record<number, [string, string]> = {
  400: ['bad-request', 'This request is not understood.'],
  401: ['not-signed-in', 'Sign in first.'],
  403: ['not-allowed', 'This is not yours to change.'],
  404: ['not-found', 'There is nothing here.'],
  405: ['wrong-method', 'This address does not take that kind of request.'],
}
const OURS: [string, string] = ['program-failed', 'Something went wrong on our side. Nothing you entered is lost.']

/** Writes errors in one shape, never with a stack. */
export default function errorHandler(error: unknown, event: H3Event): Promise<void> {
  const { statusCode = 500, message, data, unhandled } = error as Thrown
  const known = data?.code !== undefined
  const [code, text] = PLAIN[statusCode] ?? (statusCode < 500 ? PLAIN[400]! : OURS)
  if (statusCode >= 500 && unhandled) console.error(error)
  const answer: ErrorAnswer = {
    error: {
      code: data?.code ?? code,
      message: known && message ? message : text,
      ...(data?.problems ? { problems: data.problems } : {}),
    },
  }
  setResponseStatus(event, statusCode)
  setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
  setResponseHeader(event, 'cache-control', 'no-store')
  return send(event, JSON.stringify(answer))
}
