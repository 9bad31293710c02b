import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'

/** SHA-256 over files and folders of the project, by name and content, in hexadecimal. */
export function hashSources(root, sources) {
  const hash = createHash('sha256')
  const walk = (path) => {
    if (!existsSync(path)) return
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) walk(join(path, name))
    else hash.update(path.slice(root.length)).update(readFileSync(path))
  }
  for (const source of sources) walk(join(root, source))
  return hash.digest('hex')
}

/** Names the state of the engine: what one state computed is no answer of another. */
export const engineState = (root) => hashSources(root, ['core']).slice(0, 16)
