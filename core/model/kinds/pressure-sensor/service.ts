import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  faults: {
    'reads-empty': {
      title: 'level sensor stuck at empty',
      effects: [{ mode: 'cell', at: 'frozen-low' }],
      ratePerYear: 0.006,
      cure: 'replace',
    },
    'reads-full': {
      title: 'level sensor stuck at full',
      effects: [{ mode: 'cell', at: 'frozen-high' }],
      ratePerYear: 0.006,
      cure: 'replace',
    },
  },
  works: {
    replace: changed('as its sheet gives it empty, then at one known height', 'Blow through its hose: clear, and dry'),
  },
}
