import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [
    { id: 'lit', what: 'sense', signal: 'lit', sense: 'eye', when: 'active' },
    { id: 'dark', what: 'sense', signal: 'lit', sense: 'eye', when: 'idle' },
  ],
  faults: {
    dead: { title: 'lamp burnt out', effects: [{ mode: 'filament', at: 'open' }], perYear: 0.01, cure: 'replace' },
  },
}
