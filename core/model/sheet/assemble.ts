/**
 * Sub-assemblies. An entry of `parts` may name one instead of a kind:
 *
 *     parts:
 *       supply: { assembly: leak-stop-hose, with: { tray: drip-tray }, panel: back }
 *
 * Its parts, chains, faults, repairs, tests, panels and cautions come into the sheet with `supply-` before their names;
 * names that stand under `with` are those of the sheet itself. What the sheet writes under the new names overrides.
 */
type Raw = Record<string, unknown>

export interface AssemblyUse {
  prefix: string
  assembly: string
  /** Names of the assembly that mean parts of the sheet. */
  given: Readonly<Record<string, string>>
  panel: string | undefined
}

const isMap = (x: unknown): x is Raw => typeof x === 'object' && x !== null && !Array.isArray(x)

/** The sub-assemblies that a sheet uses, in the order of writing. */
export function assemblyUsesOf(raw: unknown): AssemblyUse[] {
  if (!isMap(raw) || !isMap(raw.parts)) return []
  return Object.entries(raw.parts).flatMap(([prefix, part]): AssemblyUse[] => {
    if (!isMap(part) || typeof part.assembly !== 'string') return []
    const given = isMap(part.with)
      ? Object.fromEntries(Object.entries(part.with).filter((e): e is [string, string] => typeof e[1] === 'string'))
      : {}
    return [{ prefix, assembly: part.assembly, given, panel: typeof part.panel === 'string' ? part.panel : undefined }]
  })
}

/** Sections whose entries are named, and so get the prefix. */
const NAMED = ['panels', 'wiring', 'water', 'repairs', 'tests', 'cautions', 'moments'] as const

/** An assembly with its names as they are in the sheet that uses it. */
export function withPrefix(raw: unknown, { prefix, given, panel }: AssemblyUse): Raw {
  if (!isMap(raw)) return {}
  const own = new Set(Object.keys(isMap(raw.parts) ? raw.parts : {}))
  const name = (id: string): string => given[id] ?? (own.has(id) ? `${prefix}-${id}` : id)
  /** Every word of a text that names a part: `float`, `float.ohms`, `not float.closed`. */
  const inText = (text: string): string =>
    text.replace(/[A-Za-z0-9][\w-]*(?=$|[\s.,/)])/g, (word, at: number) =>
      at > 0 && /[.\w-]/.test(text[at - 1]) ? word : name(word),
    )
  const prefixed = (x: unknown): Raw =>
    isMap(x) ? Object.fromEntries(Object.entries(x).map(([id, v]) => [`${prefix}-${id}`, v])) : {}
  const out: Raw = {}
  for (const section of NAMED) if (raw[section] !== undefined) out[section] = prefixed(raw[section])
  if (isMap(raw.parts))
    out.parts = Object.fromEntries(
      Object.entries(raw.parts).map(([id, part]) => {
        if (!isMap(part)) return [`${prefix}-${id}`, part]
        const fields = Object.entries(part).map(([k, v]): [string, unknown] => {
          if (k === 'kind' || k === 'title' || typeof v !== 'string') return [k, v]
          if (k === 'panel') return [k, panel ?? `${prefix}-${v}`]
          return [k, given[v] ?? (own.has(v) ? `${prefix}-${v}` : v)]
        })
        return [`${prefix}-${id}`, { ...(panel === undefined ? {} : { panel }), ...Object.fromEntries(fields) }]
      }),
    )
  for (const section of ['wiring', 'water'] as const)
    if (isMap(out[section]))
      out[section] = Object.fromEntries(
        Object.entries(out[section]).map(([id, chain]) => [
          id,
          Array.isArray(chain) ? chain.map((x) => (typeof x === 'string' ? inText(x) : (x as unknown))) : chain,
        ]),
      )
  const fault = (id: string): string => {
    const [part, template] = id.split('.')
    return template === undefined ? `${prefix}-${part}` : `${name(part)}.${template}`
  }
  if (isMap(raw.faults))
    out.faults = Object.fromEntries(
      Object.entries(raw.faults).map(([id, f]) => {
        if (!isMap(f)) return [fault(id), f]
        const g: Raw = { ...f }
        if (typeof f.repair === 'string') g.repair = `${prefix}-${f.repair}`
        if (typeof f.part === 'string') g.part = name(f.part)
        if (isMap(f.causes)) g.causes = Object.fromEntries(Object.entries(f.causes).map(([c, v]) => [fault(c), v]))
        if (Array.isArray(f.effects))
          g.effects = f.effects.map((e: unknown) =>
            isMap(e)
              ? Object.fromEntries(
                  Object.entries(e).map(([k, v]) => [
                    k,
                    typeof v === 'string' && (k === 'set' || k === 'hold')
                      ? inText(v)
                      : Array.isArray(v)
                        ? v.map((x) => (typeof x === 'string' ? inText(x) : (x as unknown)))
                        : v,
                  ]),
                )
              : e,
          )
        return [fault(id), g]
      }),
    )
  if (isMap(out.tests))
    out.tests = Object.fromEntries(
      Object.entries(out.tests).map(([id, t]) => [
        id,
        isMap(t) ? { ...t, ...(typeof t.sense === 'string' ? { sense: inText(t.sense) } : {}) } : t,
      ]),
    )
  return out
}
