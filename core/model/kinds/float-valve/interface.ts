import type { KindInterface } from '../contract'
import { modulatingModes, modulatingParams } from '../modulating'

/** A ball on an arm, or a cup on a rod: it lets water in as the level falls, without any current. */
export const kindInterface: KindInterface = {
  id: 'float-valve',
  title: 'float valve',
  line: 'water',
  terminals: [],
  ports: ['in', 'out'],
  params: {
    ...modulatingParams,
    'shuts-at': { description: 'level at which it is shut', dimension: 'length', min: 0 },
    over: {
      description: 'fall of the level over which it opens wide',
      dimension: 'length',
      typical: '20 mm ±20 %',
      min: 1e-4,
    },
  },
  refs: { of: 'level' },
  modes: modulatingModes.map((m) =>
    m.name === 'arm' ? { ...m, byHand: { shut: 'its float lifted', open: 'its float pressed down' } } : m,
  ),
  forcible: ['arm'],
}
