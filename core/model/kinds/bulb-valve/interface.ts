import type { KindInterface } from '../contract'
import { modulatingModes, modulatingParams } from '../modulating'

/** A valve that a bulb moves: it opens as what it feels gets warmer, or colder. */
export const kindInterface: KindInterface = {
  id: 'bulb-valve',
  title: 'bulb valve',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: {
    ...modulatingParams,
    'shuts-at': { description: 'temperature at which it is shut', dimension: 'temperature' },
    'opens-at': { description: 'temperature at which it is wide open', dimension: 'temperature' },
  },
  refs: { of: 'temperature' },
  choices: { opens: ['warm', 'cold'] },
  hysteresis: [['opens-at', 'shuts-at', { choice: 'opens', is: 'cold' }]],
  modes: modulatingModes.map((m) =>
    m.name === 'arm' ? { ...m, byHand: { shut: 'its spindle held in', open: 'its spindle drawn out' } } : m,
  ),
  forcible: ['arm'],
}
