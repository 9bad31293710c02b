/** What opens something stands in its address: it is not written down. */
const SECRET = /^(\/api\/calendar\/)[^/]+/

/**
 * A request as a line of a log: nothing of what was asked for or sent but the address without its question, in which people's names stand.
 *
 * @param status 0: nobody heard the answer
 * @param ms how long it took
 */
export const logged = (method: string, path: string, status: number, ms: number): string =>
  JSON.stringify({
    at: new Date().toISOString(),
    method,
    path: path.split('?', 1)[0]!.slice(0, 200).replace(SECRET, '$1…'),
    status,
    ms: Math.round(ms),
  })

/** A failure as a line of a log: what it is and where, and not what it says, as people's words may stand in that. */
export function failed(error: unknown): string {
  const { name = 'Error', code, stack = '' } = error as { name?: string; code?: unknown; stack?: string }
  const where = stack.split('\n').filter((l) => /^\s+at /.test(l))
  return [`failed: ${name}${code === undefined ? '' : ` ${String(code)}`}`, ...where].join('\n')
}
