import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [
    { id: 'found', type: 'sense', signal: 'wet', sense: 'eye', plain: true, when: 'found' },
    { id: 'filling', type: 'sense', signal: 'filling', sense: 'eye', when: 'active' },
    { id: 'level', type: 'display', signal: 'level', when: 'settled', by: 'rule' },
    { id: 'temperature', type: 'display', signal: 'temperature', when: 'settled', by: 'thermometer' },
  ],
}
