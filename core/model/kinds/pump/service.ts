import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'amps', type: 'amps', when: 'active' },
    { id: 'hum', type: 'sense', signal: 'hums', sense: 'ear', when: 'active' },
    { id: 'turns', type: 'sense', signal: 'runs', sense: 'hand', when: 'active' },
    { id: 'free', type: 'sense', signal: 'free', sense: 'hand', plain: true, when: 'isolated', minutes: 3 },
    { id: 'throws', type: 'sense', signal: 'throws', sense: 'eye', plain: true, when: 'active' },
  ],
  faults: {
    'winding-open': {
      title: 'pump winding open',
      effects: [{ mode: 'winding', at: 'open' }],
      ratePerYear: 0.01,
      cure: 'replace',
    },
    jammed: {
      title: 'pump jammed',
      saidWith: { 'now-and-then': 0.3, tapping: 0.2 },
      effects: [{ mode: 'shaft', at: 'seized' }],
      ratePerYear: 0.03,
      cure: 'clean',
    },
  },
}
