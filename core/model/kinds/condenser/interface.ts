import type { KindInterface } from '../contract'

/** Where the refrigerant gives its heat to the air: fins, an air filter before them, a fan that draws the air through. */
export const kindInterface: KindInterface = {
  id: 'condenser',
  title: 'condenser',
  line: 'level',
  terminals: [],
  ports: [],
  params: {
    clear: {
      description: 'share of its fins and filter that is clear',
      dimension: 'ratio',
      typical: '100 %',
      min: 0.01,
    },
    still: {
      description: 'share of its heat that it gives off while the fan stands',
      dimension: 'ratio',
      typical: '25 % ±20 %',
      min: 0.01,
    },
  },
  refs: { compressor: 'runs', fan: 'runs' },
}
