// Writes the list of kinds from the folders of `core/model/kinds`: npm run kinds
import { readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const folder = join(import.meta.dirname, '..', 'core/model/kinds')
const ROLES = ['interface', 'behaviour', 'service']

/** The text of `all-kinds.ts` as the folders stand now. */
export function kindsIndex() {
  const kinds = readdirSync(folder, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => ({ folder: name, id: name.replace(/-(\w)/g, (_, letter) => letter.toUpperCase()) }))
    .sort((a, b) => (a.folder < b.folder ? -1 : 1))
  const role = (name) => `kind${name[0].toUpperCase()}${name.slice(1)}`
  const imports = kinds.flatMap((k) =>
    ROLES.map((r) => `import { ${role(r)} as ${k.id}${role(r).slice(4)} } from './${k.folder}/${r}'`),
  )
  const list = kinds.map((k) => `  { ${ROLES.map((r) => `...${k.id}${role(r).slice(4)}`).join(', ')} },`)
  return [
    '// Written by `npm run kinds` from the folders beside it. Not to be changed by hand.',
    "import type { Kind } from './contract'",
    ...imports,
    '',
    '/** Every kind of part. Sheets name them by `id`; the engine names none. */',
    'export const KINDS: readonly Kind[] = [',
    ...list,
    ']',
    '',
  ].join('\n')
}

if (process.argv[1] === import.meta.filename) writeFileSync(join(folder, 'all-kinds.ts'), kindsIndex())
