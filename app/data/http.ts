import type { z } from 'zod'
import { CONTRACT_HEADER, CONTRACT_VERSION, PERSON_HEADER, type Contract } from '../../shared/contracts/contract'

/** What came back instead of an answer. */
export class ApiError extends Error {
  constructor(
    /** 0: nobody answered. */
    readonly status: number,
    readonly code: string,
    message: string,
    readonly problems: { path: (string | number)[]; message: string }[] = [],
  ) {
    super(message)
  }
  /** The server or its database cannot be reached, or is busy: worth trying again. */
  get transient(): boolean {
    return [0, 408, 425, 429].includes(this.status) || this.status >= 500
  }
}

export interface Call<C extends Contract> {
  params?: z.input<C['params']>
  query?: z.input<C['query']>
  body?: z.input<C['body']>
  /** What is sent where the contract takes a file. */
  file?: Blob
  /** Whose entries these are. */
  person?: string
  /** Longest wait for an answer, ms. */
  patience?: number
}

const PATIENCE = 20_000
/** Longest wait where photos travel, ms: a cellar has a thin line. */
export const THIN_LINE = 120_000

const bytesOf = async (response: Response) => new Uint8Array(await response.arrayBuffer())

function addressOf(contract: Contract, params: Record<string, string>, query: Record<string, unknown>): string {
  const path = contract.path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''))
  const search = new URLSearchParams(
    Object.entries(query).flatMap(([k, v]) => (v === undefined || v === '' ? [] : [[k, String(v)]])),
  ).toString()
  return search ? `${path}?${search}` : path
}

/** What is sent as it is, and what it is. */
const wireOf = <C extends Contract>({ file }: C, asked: Call<C>): { type: string; data: BodyInit } | undefined => {
  if (asked.file) return { type: file!.type, data: asked.file }
  return asked.body === undefined ? undefined : { type: 'application/json', data: JSON.stringify(asked.body) }
}

/** Asks the server for what a contract describes. Every failure is an `ApiError` with words for the person. */
export async function call<C extends Contract>(contract: C, asked: Call<C> = {}): Promise<z.infer<C['answer']>> {
  const { params = {}, query = {}, person, patience = PATIENCE } = asked
  const wire = wireOf(contract, asked)
  const isFile = contract.file && contract.method === 'GET'
  let response: Response
  let answer: unknown
  try {
    response = await fetch(addressOf(contract, params as Record<string, string>, query as Record<string, unknown>), {
      method: contract.method,
      headers: {
        [CONTRACT_HEADER]: String(CONTRACT_VERSION),
        ...(person === undefined ? {} : { [PERSON_HEADER]: person }),
        ...(wire ? { 'content-type': wire.type } : {}),
      },
      body: wire?.data,
      signal: AbortSignal.timeout(patience),
    })
    answer = isFile && response.ok ? await bytesOf(response) : await response.json().catch(() => undefined)
  } catch {
    throw new ApiError(
      0,
      'no-connection',
      'The server cannot be reached. What you entered is kept here and sent when it is back.',
    )
  }
  if (response.ok) {
    const read = contract.answer.safeParse(answer)
    if (read.success) return read.data as z.infer<C['answer']>
    throw new ApiError(502, 'no-answer', 'The server gave no usable answer.')
  }
  const error = (answer as { error?: { code?: string; message?: string; problems?: ApiError['problems'] } } | undefined)
    ?.error
  throw new ApiError(
    response.status,
    error?.code ?? 'no-answer',
    error?.message ?? 'The server gave no usable answer.',
    error?.problems,
  )
}
