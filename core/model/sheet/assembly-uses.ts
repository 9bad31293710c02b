import { isMap } from './merge'

/**
 * Sub-assemblies. An entry of `parts` may name one instead of a kind:
 *
 *     parts:
 *       supply: { assembly: leak-stop-hose, with: { tray: drip-tray }, panel: back }
 *
 * Its parts, chains, faults, repairs, tests, panels and cautions come into the sheet with `supply-` before their names;
 * names that stand under `with` are those of the sheet itself. `<it>` in its texts is what the entry is `called`, else its name.
 * What the sheet writes under the new names overrides.
 */
export interface AssemblyUse {
  prefix: string
  assembly: string
  /** Names of the assembly that mean parts of the sheet. */
  given: Readonly<Record<string, string>>
  panel: string | undefined
  /** What its texts call it. */
  called: string
}

/** The sub-assemblies that a sheet uses, in the order of writing. */
export function assemblyUsesOf(raw: unknown): AssemblyUse[] {
  if (!isMap(raw) || !isMap(raw.parts)) return []
  return Object.entries(raw.parts).flatMap(([prefix, part]): AssemblyUse[] => {
    if (!isMap(part) || typeof part.assembly !== 'string') return []
    const given = isMap(part.with)
      ? Object.fromEntries(Object.entries(part.with).filter((e): e is [string, string] => typeof e[1] === 'string'))
      : {}
    const { assembly, panel, called } = part
    return [
      {
        prefix,
        assembly,
        given,
        panel: typeof panel === 'string' ? panel : undefined,
        called: typeof called === 'string' ? called : prefix,
      },
    ]
  })
}
