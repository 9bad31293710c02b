import type { ErrorAnswer } from '../../server/error-handler'

/** What came back instead of an answer. `away`: the server or its database cannot be reached; worth trying again. */
export class AskError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
  ) {
    super(message)
  }
  get away(): boolean {
    return this.status === 0 || this.status >= 500
  }
}

/** Asks the server. Every failure is an `AskError` with words for the person. */
export async function ask<T>(path: string, method: 'GET' | 'POST' | 'DELETE' = 'GET', body?: unknown): Promise<T> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
  } catch {
    throw new AskError(
      0,
      'no-connection',
      'The server cannot be reached. What you entered is kept here and sent when it is back.',
    )
  }
  const answer = (await response.json().catch(() => undefined)) as (T & Partial<ErrorAnswer>) | undefined
  if (response.ok && answer !== undefined) return answer
  const error = answer?.error
  throw new AskError(response.status, error?.code ?? 'no-answer', error?.message ?? 'The server gave no usable answer.')
}
