import { KINDS, type Kind, type ParamSpec } from '../core/model/kinds'
import { DEFAULT_UNIT } from '../core/foundation/quantity'

/** What values are that many kinds share under one name. */
const GLOSSARY: Record<string, string> = {
  ohms: 'resistance of its winding, contact or element',
  'henries-out': 'inductance of the coil with the plunger out: sets the inrush',
  'henries-in': 'inductance of the coil with the plunger in: sets the holding current',
  henries: 'inductance of its winding',
  'pull-in': 'voltage at which it pulls',
  'drop-out': 'voltage below which it lets go',
  passes: 'flow through it, wide open, at 1 bar',
  rated: 'flow above which its regulator throttles',
  'opens-at': 'least pressure across it at which it opens',
  trip: 'where it switches as the level rises',
  return: 'where it switches back as the level falls',
  volts: 'voltage',
  area: 'area of the bottom',
  height: 'height',
  loses: 'heat that it loses to the room for each degree above it',
  metal: 'water that would hold as much heat as its metal',
  wakes: 'voltage at which the control wakes up',
  pressure: 'static pressure',
  temperature: 'of the water',
  beta: 'beta of the thermistor',
  delay: 'time between command and contact',
  clear: 'share of the way that is open',
  head: 'pressure that it adds at no flow',
  starts: 'voltage at which it starts',
  'trips-at': 'where it trips',
  reset: 'where it closes again',
  at: 'height above the bottom',
  ratio: 'primary turns over secondary turns',
  'snubber-ohms': 'resistance of the snubber across the output',
  'snubber-farads': 'capacitance of the snubber across the output',
}

const value = (name: string, { dimension, typical, description: about = GLOSSARY[name] }: ParamSpec): string =>
  `${name}: ${typical ?? `must be given, in ${DEFAULT_UNIT[dimension].symbol || 'plain numbers'}`}${about ? ` (${about})` : ''}`

const list = (words: readonly string[]): string => words.join(', ') || 'none'

/** One kind of part as text: everything that a sheet may say of it. */
export function describeKind(kind: Kind): string {
  const lines: [string, string[]][] = [
    ['terminals, in the order of a chain', kind.terminals.length ? [list(kind.terminals)] : []],
    ['ports, in the order of a chain', kind.ports.length ? [list(kind.ports)] : []],
    [
      'refers to',
      Object.entries(kind.refs ?? {}).map(([field, signal]) => `${field}: a part that gives \`${signal}\``),
    ],
    [
      'may refer to',
      Object.entries(kind.optionalRefs ?? {}).map(([field, signal]) => `${field}: a part that gives \`${signal}\``),
    ],
    ['words', Object.entries(kind.choices ?? {}).map(([field, words]) => `${field}: ${words.join(' or ')}`)],
    ['values', Object.entries(kind.params).map(([name, spec]) => value(name, spec))],
    ['modes', (kind.modes ?? []).map((m) => `${m.name}: ${m.values.join(', ')}`)],
    [
      'signals',
      Object.entries(kind.signals ?? {}).map(
        ([name, s]) => `${name}${s.dimension ? ` (${s.dimension})` : ''}: ${s.description}`,
      ),
    ],
    ['faults', Object.entries(kind.faults ?? {}).map(([name, f]) => `${name}: ${f.title}, ${f.ratePerYear} /year`)],
  ]
  const traits = [
    ...(kind.command ? ['a phase may list it under `on`'] : []),
    ...(kind.jumperAllowed === true ? ['a jumper may be put across it'] : []),
    ...(typeof kind.jumperAllowed === 'object'
      ? [`a jumper may be put across it where its ${kind.jumperAllowed.choice} is ${kind.jumperAllowed.is}`]
      : []),
  ]
  return [
    `## ${kind.id}`,
    '',
    `${kind.title[0].toUpperCase()}${kind.title.slice(1)}, on the ${kind.line} line${traits.length ? `; ${traits.join('; ')}` : ''}.`,
    '',
    ...lines.flatMap(([title, items]) =>
      items.length === 1
        ? [`- ${title}: ${items[0]}`]
        : items.length
          ? [`- ${title}:`, ...items.map((i) => `  - ${i}`)]
          : [],
    ),
    '',
  ].join('\n')
}

/** The page of all kinds, for docs/kinds.md. */
export const describeKinds = (): string =>
  [
    '# Kinds of parts',
    '',
    'What a sheet may say of each part. Written from the kinds themselves by `npm run schema`; how to use them stands in [sheets.md](sheets.md).',
    '',
    ...KINDS.map(describeKind),
  ].join('\n')
