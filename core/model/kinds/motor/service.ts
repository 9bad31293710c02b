import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  measurements: ({ choice }) => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'amps', type: 'amps', when: 'active' },
    { id: 'runs', type: 'sense', signal: 'runs', sense: 'ear', when: 'active' },
    { id: 'runs-idle', type: 'sense', signal: 'runs', sense: 'ear', when: 'cold' },
    ...(choice.sealed === 'no'
      ? [
          {
            id: 'free',
            type: 'sense',
            signal: 'free',
            sense: 'hand',
            plain: true,
            when: 'isolated',
            minutes: 2,
          } as const,
        ]
      : []),
  ],
  faults: {
    'winding-open': {
      title: 'motor winding open',
      effects: [{ mode: 'winding', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    seized: { title: 'motor seized', effects: [{ mode: 'shaft', at: 'seized' }], ratePerYear: 0.008, cure: 'replace' },
  },
  works: {
    replace: changed('its ohms beside the old one’s plate, and its shaft turned by hand', {
      do: 'What it turns is held before a bolt comes out',
      caution: 'Edges cut, springs pull',
    }),
  },
}
