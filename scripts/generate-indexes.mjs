// Writes the lists that are made from folders: the kinds of part and the types of measurement. npm run indexes
import { readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const core = join(import.meta.dirname, '..', 'core')
const camel = (name) => name.replace(/-(\w)/g, (_, letter) => letter.toUpperCase())
const capital = (name) => name[0].toUpperCase() + name.slice(1)

/** Imports of one file role of one folder, and the name it gets. */
const importOf = (folder, prefix, role) => {
  const name = `${camel(folder)}${capital(role)}`
  return { name, line: `import { ${prefix}${capital(role)} as ${name} } from './${folder}/${FILES[role] ?? role}'` }
}
const FILES = { prediction: 'predict' }

/**
 * The list of one room: file, and its text as the folders stand now.
 *
 * @param declares the role whose types must be seen with the list, also where only declarations are read
 * @param write one line of the list, from the folder's name and the names of its roles
 */
function listOf({ room, file, prefix, roles, declares, head, write, tail }) {
  const folders = readdirSync(join(core, room), { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name)
    .sort((a, b) => (a < b ? -1 : 1))
  const entries = folders.map((folder) => ({ folder, roles: roles.map((role) => importOf(folder, prefix, role)) }))
  const text = [
    '// Written by `npm run indexes` from the folders beside it. Not to be changed by hand.',
    ...(declares
      ? ['/* eslint-disable import/no-duplicates -- once for the values, once for the declarations */']
      : []),
    ...head.slice(0, 1),
    ...entries.flatMap((e) => e.roles.map((r) => r.line)),
    ...(declares ? ['// Each declares its own fields: their declarations go where this file goes.'] : []),
    ...(declares ? entries.map((e) => `import './${e.folder}/${declares}'`) : []),
    '',
    ...head.slice(1),
    ...entries.map((e) => write(e.folder, e.roles.map((r) => `...${r.name}`).join(', '))),
    ...tail,
    '',
  ].join('\n')
  return { file: join(core, room, file), text }
}

/** Every generated list with the text that it should have. */
export const indexes = () => [
  listOf({
    room: 'model/kinds',
    file: 'all-kinds.ts',
    prefix: 'kind',
    roles: ['interface', 'behaviour', 'service'],
    head: [
      "import type { Kind } from './contract'",
      '/** Every kind of part. Sheets name them by `id`; the engine names none. */',
      'export const KINDS: readonly Kind[] = [',
    ],
    write: (_, roles) => `  { ${roles} },`,
    tail: [']'],
  }),
  listOf({
    room: 'simulation/measurements',
    file: 'all-measurements.ts',
    prefix: 'measurement',
    roles: ['interface', 'prediction'],
    declares: 'interface',
    head: [
      "import type { MeasurementId, MeasurementOf, MeasurementType } from './contract'",
      '/** Every type of measurement, by its id. */',
      'export const MEASUREMENTS: { readonly [Id in MeasurementId]: MeasurementType<MeasurementOf<Id>> } = {',
    ],
    write: (folder, roles) => `  ${/-/.test(folder) ? `'${folder}'` : folder}: { ${roles} },`,
    tail: ['}'],
  }),
]

if (process.argv[1] === import.meta.filename) for (const { file, text } of indexes()) writeFileSync(file, text)
