import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import type { FindSheet } from '../core/model/sheet'

/** Folder of the shipped sheets. */
export const LIBRARY = join(import.meta.dirname, '..', 'library')

/** Finds a shipped sheet by id. */
export const findShipped: FindSheet = (id) => {
  const path = join(LIBRARY, `${id}.yaml`)
  return /^[\w-]+$/.test(id) && existsSync(path)
    ? { file: relative(process.cwd(), path), text: readFileSync(path, 'utf8') }
    : undefined
}

export const shippedIds = (): string[] =>
  readdirSync(LIBRARY)
    .filter((f) => f.endsWith('.yaml'))
    .map((f) => f.slice(0, -5))
    .sort()
