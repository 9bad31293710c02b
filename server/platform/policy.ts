import { createHash } from 'node:crypto'

/** What the answers of the interface may do in a browser: nothing. */
export const NOTHING = "default-src 'none'; frame-ancestors 'none'"

const SCRIPT = /<script(?![^>]*\s(?:src=|type="application\/json"))[^>]*>([^]*?)<\/script>/g

/**
 * What a page may load and run: what came with it. Styles may stand in it, as its components write theirs there; of scripts only those
 * that the build wrote, by their hash.
 *
 * @param shell the page as it is sent
 */
export function policyOf(shell: string): string {
  const hashes = [...shell.matchAll(SCRIPT)].map(
    ([, text]) => `'sha256-${createHash('sha256').update(text!).digest('base64')}'`,
  )
  return [
    "default-src 'self'",
    `script-src ${["'self'", ...new Set(hashes)].join(' ')}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "media-src 'self' blob:",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
}
