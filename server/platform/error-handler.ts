import { setResponseHeader, setResponseStatus, send, type H3Event } from 'h3'
import { describeAnswer, type AnswerCode } from '../../core/words'
import { failed } from './log'
import type { ErrorAnswer } from '../../shared/contracts/contract'

interface Thrown {
  statusCode?: number
  message?: string
  unhandled?: boolean
  data?: { code?: string; problems?: ErrorAnswer['error']['problems']; retryAfter?: number }
}

const PLAIN: Record<number, AnswerCode> = {
  400: 'bad-request',
  401: 'not-signed-in',
  403: 'not-allowed',
  404: 'not-found',
  405: 'wrong-method',
}

/** Writes errors in one shape, never with a stack. */
export default function errorHandler(error: unknown, event: H3Event): Promise<void> {
  const { statusCode = 500, message, data, unhandled } = error as Thrown
  const known = data?.code !== undefined
  const code = PLAIN[statusCode] ?? (statusCode < 500 ? 'bad-request' : 'program-failed')
  const text = describeAnswer(code, 'page')
  if (statusCode >= 500 && unhandled) console.error(failed((error as { cause?: unknown }).cause ?? error))
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
  if (data?.retryAfter !== undefined) setResponseHeader(event, 'retry-after', data.retryAfter)
  return send(event, JSON.stringify(answer))
}
