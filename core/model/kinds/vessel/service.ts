import type { KindService, MeasurementSpec } from '../contract'

const FILLING: MeasurementSpec = { id: 'filling', type: 'sense', signal: 'filling', sense: 'eye', when: 'active' }
const TEMPERATURE: MeasurementSpec = {
  id: 'temperature',
  type: 'display',
  signal: 'temperature',
  when: 'settled',
  by: 'thermometer',
}

export const kindService: KindService = {
  measurements: ({ choice }) => [
    { id: 'found', type: 'sense', signal: 'seen', sense: 'eye', plain: true, when: 'found' },
    ...(choice.holds === 'water' ? [FILLING] : []),
    { id: 'level', type: 'display', signal: 'level', when: 'settled', by: 'rule' },
    ...(choice.holds === 'water' ? [TEMPERATURE] : []),
  ],
}
