import { edit, FAMILY, mini } from './sheets'

/** Sheets changed by YAML edits alone. Each is checked against its netlist run in ngspice. */
export const CHANGED: Record<string, { text: string; phase: string | undefined; faults?: [string, number?][] }> = {
  'washer as shipped, cold fill': { text: FAMILY, phase: 'fill-cold' },
  'washer as shipped, hot fill': { text: FAMILY, phase: 'fill-hot' },
  'washer as shipped, drain': { text: FAMILY, phase: 'drain' },
  'corroded plug, 1.5 kΩ': { text: FAMILY, phase: 'fill-cold', faults: [['cold-plug.corroded', 1500]] },
  'coil open, snubber leaks': {
    text: FAMILY,
    phase: 'fill-cold',
    faults: [['cold-valve.coil-open'], ['cold-out.dead']],
  },
  'lid open and return broken': {
    text: FAMILY,
    phase: 'fill-cold',
    faults: [['lid.stuck-open'], ['valve-return.broken']],
  },
  'low supply with bad joint': {
    text: FAMILY,
    phase: 'fill-cold',
    faults: [
      ['mains.low', 0.8],
      ['cold-plug.corroded', 300],
    ],
  },
  'one more connector': {
    text: edit(
      edit(
        FAMILY,
        '  cold-plug: { kind',
        '  splice: { kind: wire, title: splice, ohms: 2.5 Ω ±20 % }\n  cold-plug: { kind',
      ),
      '[cold-out.out, cold-plug.a1/b1,',
      '[cold-out.out, splice, cold-plug.a1/b1,',
    ),
    phase: 'fill-cold',
  },
  'lid switch in the return': {
    text: edit(
      edit(
        edit(
          edit(FAMILY, 'interlock: [fuse.2, lid, cold-out.com]', 'interlock: [fuse.2, cold-out.com]'),
          '[lid.2, hot-out.com]',
          '[fuse.2, hot-out.com]',
        ),
        'cold-plug.b2/a2, valve-return, board.N]',
        'cold-plug.b2/a2, valve-return, lid, board.N]',
      ),
      '  hot-feed:',
      '  spare: [board.N, lid.2]\n  hot-feed:',
    ),
    phase: 'fill-cold',
  },
  'bleed resistor across the cold coil': {
    text: edit(
      edit(FAMILY, '  cold-main: { kind', '  bleed: { kind: resistor, ohms: 1.5 kΩ ±5 % }\n  cold-main: { kind'),
      '  hot-feed:',
      '  bleed: [cold-valve.a, bleed, cold-valve.b]\n  hot-feed:',
    ),
    phase: 'fill-cold',
  },
  'plugs swapped': {
    text: edit(
      edit(
        FAMILY,
        'cold-out.out, cold-plug.a1/b1, cold-valve, cold-plug.b2/a2',
        'cold-out.out, cold-plug.a1/b1, hot-valve, cold-plug.b2/a2',
      ),
      'hot-out.out, hot-plug.a1/b1, hot-valve, hot-plug.b2/a2',
      'hot-out.out, hot-plug.a1/b1, cold-valve, hot-plug.b2/a2',
    ),
    phase: 'fill-cold',
  },
  'other coil ohms': { text: FAMILY.replaceAll('ohms: 780 Ω ±8 %', 'ohms: 1150 Ω ±8 %'), phase: 'fill-cold' },
  'irrigation zone 2 with a corroded common': {
    text: mini('irrigation'),
    phase: 'zone2',
    faults: [['common-b.corroded', 40]],
  },
  'irrigation zone 3': { text: mini('irrigation'), phase: 'zone3' },
  'boiler heating': { text: mini('boiler'), phase: 'heating' },
  'boiler float opens on rise': {
    text: edit(mini('boiler'), 'on-rise: closes', 'on-rise: opens'),
    phase: 'settled',
  },
  'boiler drain valve closed at rest': {
    text: edit(mini('boiler'), 'rest: open', 'rest: closed'),
    phase: 'filling',
  },
  'hot called earlier': {
    text: edit(FAMILY, 'level.level >= 60 mm, to: fill-hot', 'level.level >= 25 mm, to: fill-hot'),
    phase: 'fill-hot',
  },
  'interlocks running': { text: mini('interlocks'), phase: undefined },
}
