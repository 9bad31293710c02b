import { readdirSync } from 'node:fs'

/** Addresses of the pages of a folder, as the router reads its files: `:id` where anything may stand. */
export const pagesOf = (folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.vue'))
    .map(
      (file) =>
        `/${file
          .replaceAll('\\', '/')
          .replace(/\.vue$/, '')
          .replace(/(^|\/)index$/, '')}`,
    )
    .map((path) => path.replace(/\[(\w+)\]/g, ':$1').replace(/(.)\/$/, '$1'))
