import type { KindService } from '../contract'
import { DEAD, changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    { id: 'seated', type: 'sense', signal: 'loose', sense: 'hand', plain: true, when: 'isolated' },
  ],
  faults: {
    open: { title: 'thermistor open', effects: [{ mode: 'bead', at: 'open' }], ratePerYear: 0.008, cure: 'replace' },
    shorted: {
      title: 'thermistor shorted',
      effects: [{ mode: 'bead', at: 'shorted' }],
      ratePerYear: 0.004,
      cure: 'replace',
    },
    drifted: {
      title: 'thermistor drifted',
      saidWith: { slowly: 0.5 },
      effects: [{ param: 'ohms', times: 'severity' }],
      severity: { from: 1.3, to: 3, scale: 'log' },
      ratePerYear: 0.006,
      cure: 'replace',
    },
    loose: {
      title: 'thermistor loose in its clip',
      saidWith: { 'worked-on': 0.4, cleaned: 0.2 },
      effects: [{ param: 'feels', to: 'severity' }],
      severity: { from: 0.3, to: 0.75, scale: 'linear' },
      ratePerYear: 0.006,
      cure: 'restore',
    },
  },
  works: {
    replace: changed(
      'its ohms beside a thermometer, at two temperatures',
      'Note how deep its bead sits and by which clip',
    ),
    restore: {
      steps: [
        DEAD,
        'Bead fully home under its clip, metal to metal, paste where there was some',
        'Its lead fixed so that nothing draws on it',
        'Its ohms beside a contact thermometer while it warms: they agree',
      ],
    },
  },
}
