import { KINDS, type FaultTemplate, type Kind, type ParamSpec, type Part } from '../core/model/kinds'
import { RATINGS } from '../core/model/sheet'
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

/** When a test is taken, by the word that its kind has for it. */
const WHEN: Record<string, string> = {
  active: 'when it is called for',
  idle: 'when it is not called for',
  isolated: 'made safe',
  cold: 'made safe and cold',
  found: 'as found',
  settled: 'once it has come to rest',
}

/** A part of a kind with nothing said of it: every choice at its first word. */
const plainPart = (kind: Kind): Part => ({
  index: 0,
  id: kind.id,
  title: kind.title,
  kind: kind.id,
  line: kind.line,
  panel: undefined,
  untested: [],
  nodes: {},
  ports: {},
  param: {},
  mode: {},
  state: {},
  ref: {},
  choice: Object.fromEntries(Object.entries(kind.choices ?? {}).map(([name, words]) => [name, words[0]])),
})

const testsOf = (kind: Kind): string[] =>
  (kind.measurements?.(plainPart(kind)) ?? []).map(
    (m) => `${m.id} (${'when' in m ? (WHEN[m.when] ?? m.when) : 'in its own time'})`,
  )

/** What an effect of a fault does to a value, in the words of a sheet. */
const effectWords = (e: FaultTemplate['effects'][number]): string =>
  'mode' in e
    ? `${e.mode} held at ${e.at}`
    : 'to' in e
      ? `${e.param} set to ${e.to}`
      : 'times' in e
        ? `${e.param} times ${e.times}`
        : `${e.param} plus ${e.plus}`

const aboutFault = ({ ratePerYear, severity, effects, intermittentShare: share, only }: FaultTemplate): string => {
  const range = severity && `severity ${severity.from} to ${severity.to} (${severity.scale}, SI or a factor)`
  return [
    `, ${ratePerYear} /year; ${effects.map(effectWords).join(', ')}`,
    ...(range === undefined ? [] : [range]),
    ...(share ? [`comes and goes in ${Math.round(100 * share)} % of its cases`] : []),
    ...(only ? [`where ${only.choice} is ${only.is.join(' or ')}`] : []),
  ].join('; ')
}

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
    ['instead of what follows from them', kind.rated === undefined ? [] : Object.keys(RATINGS[kind.rated])],
    ['values', Object.entries(kind.params).map(([name, spec]) => value(name, spec))],
    ['modes', (kind.modes ?? []).map((m) => `${m.name}: ${m.values.join(', ')}`)],
    [
      'signals',
      Object.entries(kind.signals ?? {}).map(
        ([name, s]) =>
          `${name}${s.dimension ? ` (${s.dimension})` : ''}: ${s.description}${s.from === undefined ? '' : `, from ${s.from}`}`,
      ),
    ],
    ['tests, where `untested` does not leave them out', testsOf(kind)],
    ['faults', Object.entries(kind.faults ?? {}).map(([name, f]) => `${name}: ${f.title}${aboutFault(f)}`)],
  ]
  const traits = [
    ...(kind.command ? ['a phase may list it under `on`'] : []),
    ...(kind.leadLifts ? ['its lead may be lifted while the machine runs'] : []),
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

const HOW_TO_READ = [
  'How to read it. **Values** with a figure may be left out; the figure is the usual one. **Words** take one of those listed, the first where nothing is written.',
  '**Refers to** names another part of the sheet, one that gives the signal in question. **Modes** are what a fault of your own holds (`{ hold: valve.plunger, at: rest }`)',
  'and a program may force on floats and switches. **Signals** are what conditions, looks (`sense`) and readings (`reads`) may use; "from" says where a yes begins.',
  '**Tests** follow from the part by themselves. "When it is called for" is the first phase of any program, four seconds in, or the first `moment` of the sheet, at which the healthy machine calls for it;',
  'made safe means isolated and proved dead; as found is before anything is moved. A test is moved by a `moment` or by a program that calls for the part sooner or alone, and hidden by `untested:',
  'ohms idle-volts` on the part. **Faults** are used as `PART.FAULT`; what stands behind them is what they do to the part, and the range of their severity where they have one,',
  'which `severity: { from: …, to: …, scale: log }` overrides.',
]

/** The page of all kinds, for docs/kinds.md. */
export const describeKinds = (): string =>
  [
    '# Kinds of parts',
    '',
    'What a sheet may say of each part. Written from the kinds themselves by `npm run schema`; how to use them stands in [sheets.md](sheets.md).',
    '',
    ...HOW_TO_READ,
    '',
    ...KINDS.map(describeKind),
  ].join('\n')
