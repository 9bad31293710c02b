import type { AssemblyUse } from './assembly-uses'
import { isMap } from './merge'

type Raw = Record<string, unknown>

/** How names of an assembly read in the sheet that uses it. */
interface Names {
  prefix: string
  /** A panel: the one that the use names for all, the sheet's own where it is given, else one that comes in. */
  panelOf: (id: string) => string
  panel: string | undefined
  /** A part of the assembly, or of the sheet where it is given; any other word stays. */
  part: (id: string) => string
  /** Every word of a text that names a part: `float`, `float.ohms`, `not float.closed`. */
  inText: (text: string) => string
  fault: (id: string) => string
}

function namesOf(raw: Raw, { prefix, given, panel }: AssemblyUse): Names {
  const own = new Set(Object.keys(isMap(raw.parts) ? raw.parts : {}))
  const part = (id: string): string => given[id] ?? (own.has(id) ? `${prefix}-${id}` : id)
  return {
    prefix,
    panel,
    panelOf: (id) => panel ?? given[id] ?? `${prefix}-${id}`,
    part,
    inText: (text) =>
      text.replace(/[A-Za-z0-9][\w-]*(?=$|[\s.,/)])/g, (word, at: number) =>
        at > 0 && /[.\w-]/.test(text[at - 1]) ? word : part(word),
      ),
    fault: (id) => {
      const [name, template] = id.split('.')
      return template === undefined ? `${prefix}-${name}` : `${part(name)}.${template}`
    },
  }
}

/** Entries under new names, each changed by `change` where it is a map. */
const renamed = (x: Raw, name: (id: string) => string, change: (entry: Raw) => Raw): Raw =>
  Object.fromEntries(Object.entries(x).map(([id, v]) => [name(id), isMap(v) ? change(v) : v]))

/** Texts of a list with the names in them. */
const inTexts = (list: unknown[], { inText }: Names): unknown[] =>
  list.map((x) => (typeof x === 'string' ? inText(x) : x))

/** Fields of a part that are sentences, with no name of another part in them. */
const TEXTS = new Set(['kind', 'title', 'sits', 'tips'])

function partWithPrefix(part: Raw, { panel, panelOf, part: name }: Names): Raw {
  const field = ([k, v]: [string, unknown]): [string, unknown] => {
    if (TEXTS.has(k) || typeof v !== 'string') return [k, v]
    return [k, k === 'panel' ? panelOf(v) : name(v)]
  }
  return { ...(panel === undefined ? {} : { panel }), ...Object.fromEntries(Object.entries(part).map(field)) }
}

function effectWithPrefix(effect: Raw, names: Names): Raw {
  const field = ([k, v]: [string, unknown]): [string, unknown] => {
    if (typeof v === 'string' && (k === 'set' || k === 'hold')) return [k, names.inText(v)]
    return [k, Array.isArray(v) ? inTexts(v, names) : v]
  }
  return Object.fromEntries(Object.entries(effect).map(field))
}

function faultWithPrefix(f: Raw, names: Names): Raw {
  const g: Raw = { ...f }
  if (typeof f.repair === 'string') g.repair = `${names.prefix}-${f.repair}`
  if (Array.isArray(f.instead)) g.instead = f.instead.map((r) => `${names.prefix}-${r}`)
  if (typeof f.part === 'string') g.part = names.part(f.part)
  if (isMap(f.causes)) g.causes = Object.fromEntries(Object.entries(f.causes).map(([c, v]) => [names.fault(c), v]))
  if (Array.isArray(f.effects)) g.effects = f.effects.map((e: unknown) => (isMap(e) ? effectWithPrefix(e, names) : e))
  return g
}

const testWithPrefix = (t: Raw, { inText }: Names): Raw => ({
  ...t,
  ...(typeof t.sense === 'string' ? { sense: inText(t.sense) } : {}),
  ...(typeof t.reads === 'string' ? { reads: inText(t.reads) } : {}),
})

/** Pins with the terminals that they are in the sheet. */
const pinsWithPrefix = (pins: Raw, { inText }: Names): Raw =>
  Object.fromEntries(Object.entries(pins).map(([pin, at]) => [pin, typeof at === 'string' ? inText(at) : at]))

/** Everything written in it with another text wherever `<it>` stands. */
export function withCalled(raw: unknown, called: string): unknown {
  if (typeof raw === 'string') return raw.replaceAll('<it>', called)
  if (Array.isArray(raw)) return raw.map((x) => withCalled(x, called))
  return isMap(raw) ? Object.fromEntries(Object.entries(raw).map(([k, v]) => [k, withCalled(v, called)])) : raw
}

/** An assembly with its names as they are in the sheet that uses it. */
export function withPrefix(written: unknown, use: AssemblyUse): Raw {
  const raw = withCalled(written, use.called)
  if (!isMap(raw)) return {}
  const names = namesOf(raw, use)
  const prefixed = (id: string): string => `${use.prefix}-${id}`
  const out: Raw = {}
  const section = (id: string, name: (id: string) => string, change: (entry: Raw) => Raw = (x) => x): void => {
    if (raw[id] !== undefined) out[id] = isMap(raw[id]) ? renamed(raw[id], name, change) : {}
  }
  section('panels', prefixed)
  if (isMap(out.panels)) {
    const given = new Set(Object.keys(use.given).map(prefixed))
    out.panels = Object.fromEntries(Object.entries(out.panels).filter(([id]) => !given.has(id)))
  }
  section('repairs', prefixed)
  section('cautions', prefixed)
  for (const id of ['as-found', 'settings', 'care']) section(id, prefixed)
  section('connectors', prefixed, (c) => (isMap(c.pins) ? { ...c, pins: pinsWithPrefix(c.pins, names) } : c))
  section('moments', prefixed)
  section('parts', prefixed, (part) => partWithPrefix(part, names))
  section('faults', names.fault, (f) => faultWithPrefix(f, names))
  section('tests', prefixed, (t) => testWithPrefix(t, names))
  section('colours', names.inText)
  for (const id of ['wiring', 'water'] as const)
    if (raw[id] !== undefined)
      out[id] = Object.fromEntries(
        Object.entries(isMap(raw[id]) ? raw[id] : {}).map(([name, chain]) => [
          prefixed(name),
          Array.isArray(chain) ? inTexts(chain, names) : chain,
        ]),
      )
  return out
}
