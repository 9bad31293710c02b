import { isMap, isScalar, parseDocument, visit, type Pair, type YAMLMap } from 'yaml'
import { KINDS } from '../../../core/model/kinds'

/** Tables of a sheet whose keys are ids of its own. */
const TABLES = [
  'options',
  'panels',
  'parts',
  'wiring',
  'water',
  'colours',
  'programs',
  'phases',
  'alarms',
  'complaints',
  'moments',
  'faults',
  'repairs',
  'tests',
  'cautions',
]
/** Fields whose text is for people, or a word of the language. */
const PROSE = new Set([
  'title',
  'says',
  'text',
  'means',
  'source',
  'maker',
  'model',
  'kind',
  'caution',
  'bites',
  'before',
  'untested',
  'by',
  'asks',
  ...KINDS.flatMap((kind) => Object.keys(kind.choices ?? {})),
])

/**
 * A sheet (without `extends`) with every id it gives replaced by a random token, wherever it is used: keys, references,
 * wiring, conditions. Names of terminals, values, modes and templates belong to the kinds and stay.
 *
 * @returns the renamed text, and the new name of an id or of `PART.TEST`
 */
export function renameAll(text: string): { renamed: string; name: (id: string) => string } {
  const doc = parseDocument(text)
  const tokens = new Map<string, string>()
  const token = (id: string) => {
    if (!tokens.has(id)) tokens.set(id, `q${((tokens.size + 3) * 7919) % 99991}z`)
    return tokens.get(id)!
  }
  for (const table of TABLES) {
    const map = doc.get(table) as YAMLMap | undefined
    if (!isMap(map)) continue
    for (const { key } of map.items as Pair<{ value: unknown }>[]) {
      const id = String(key.value)
      if (!id.includes('.')) token(id)
    }
  }
  // A word is an id where it stands alone or before a dot; after a dot it is a name of the kind.
  const inText = (s: string) => s.replace(/(?<![\w.-])[A-Za-z0-9][\w-]*/g, (word) => tokens.get(word) ?? word)
  for (const table of TABLES) {
    const map = doc.get(table) as YAMLMap | undefined
    if (!isMap(map)) continue
    for (const pair of map.items as Pair<{ value: unknown }>[]) pair.key.value = inText(String(pair.key.value))
  }
  visit(doc, {
    Pair(_, pair) {
      const key = isScalar(pair.key) ? String(pair.key.value) : ''
      if (PROSE.has(key)) return visit.SKIP
      if ((key === 'sets' || key === 'causes') && isMap(pair.value))
        for (const inner of pair.value.items as Pair<{ value: unknown }>[])
          inner.key.value = inText(String(inner.key.value))
      return undefined
    },
    Scalar(key, node) {
      if (key !== 'key' && typeof node.value === 'string') node.value = inText(node.value)
    },
  })
  return { renamed: String(doc), name: (id) => inText(id) }
}
