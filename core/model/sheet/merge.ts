/** Whether something read from YAML is a map. */
export const isMap = (x: unknown): x is Record<string, unknown> =>
  typeof x === 'object' && x !== null && !Array.isArray(x)

/** A part of another kind has other values: none of the one it stands for is kept. */
const isOfAnotherKind = (base: Record<string, unknown>, over: Record<string, unknown>): boolean =>
  typeof base.kind === 'string' && typeof over.kind === 'string' && base.kind !== over.kind

/** Child over base: maps merge, everything else replaces, and so does a part of another kind. A `null` stays until all has been merged: what it takes away may come in last. */
export function merge(base: unknown, over: unknown): unknown {
  if (!isMap(base) || !isMap(over) || isOfAnotherKind(base, over)) return over
  const out = new Map(Object.entries(base))
  for (const [k, v] of Object.entries(over)) out.set(k, out.has(k) ? merge(out.get(k), v) : v)
  return Object.fromEntries(out)
}

/** Takes out every entry that a `null` stands for. */
export function withoutNulls(taken: unknown): unknown {
  if (!isMap(taken)) return taken
  const kept = Object.entries(taken).filter(([, v]) => v !== null)
  return Object.fromEntries(kept.map(([k, v]) => [k, withoutNulls(v)]))
}
