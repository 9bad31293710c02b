import { motorModes, motorParams } from '../motor-winding'
import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'motor',
  title: 'motor',
  line: 'power',
  terminals: ['a', 'b'],
  endangers: 'motion',
  ports: [],
  windings: ['ohms'],
  // Of a sealed one no hand turns the shaft.
  choices: { sealed: ['no', 'yes'] },
  params: motorParams,
  modes: motorModes,
}
