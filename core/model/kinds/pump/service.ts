import type { KindService } from '../contract'
import { DEAD, WATER_OFF, NO_DROP } from '../works'

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
  works: {
    replace: {
      steps: [
        WATER_OFF,
        DEAD,
        'Tray under it; hoses off with their clips marked, leads marked',
        'Measure the new one: its ohms, its wheel turned by hand',
        'In the same way round, clips where they were, leads by their marks',
        NO_DROP,
        'Run it: the stream seen at the waste, no drop',
      ],
      lookAt: ['what blocked or killed the old one: lint, glass, a coin'],
      proved: 'ohms, wheel turned by hand',
    },
    clean: {
      steps: [
        DEAD,
        {
          do: 'Tray under it, its trap opened slowly',
          caution: 'What stands in the machine runs out, hot after a wash',
        },
        { do: 'Trap and wheel freed with a tool, not with a finger', caution: 'Glass and needles collect there' },
        'Wheel turned by hand over a whole turn, trap shut tight',
        'Run it: the stream seen at the waste, no drop',
      ],
    },
  },
}
