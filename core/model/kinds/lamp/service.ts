import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'found', type: 'sense', signal: 'lit', sense: 'eye', plain: true, when: 'found' },
    { id: 'lit', type: 'sense', signal: 'lit', sense: 'eye', plain: true, when: 'active' },
    { id: 'dark', type: 'sense', signal: 'lit', sense: 'eye', plain: true, when: 'idle' },
  ],
  faults: {
    dead: { title: 'lamp burnt out', effects: [{ mode: 'filament', at: 'open' }], ratePerYear: 0.01, cure: 'replace' },
  },
  works: {
    replace: changed('its ohms or its light on the bench, at its own volts'),
  },
}
