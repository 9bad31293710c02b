import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [
    { id: 'filling', what: 'sense', signal: 'filling', sense: 'eye', when: 'active' },
    { id: 'level', what: 'display', signal: 'level', when: 'settled', by: 'rule' },
    { id: 'temperature', what: 'display', signal: 'temperature', when: 'settled', by: 'thermometer' },
  ],
}
