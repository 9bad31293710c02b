import type { KindService, MeasurementSpec } from '../contract'
import { DEAD } from '../works'

const SEALED: MeasurementSpec = {
  id: 'sealed',
  type: 'sense',
  signal: 'sealed',
  sense: 'eye',
  plain: true,
  when: 'isolated',
}
const LOW: MeasurementSpec = { ...SEALED, id: 'low', signal: 'low' }
const only = { choice: 'ends', is: ['hose'] }

export const kindService: KindService = {
  measurements: ({ choice }): MeasurementSpec[] => [
    ...(choice.ends === 'hose' ? [SEALED, LOW] : []),
    { id: 'found', type: 'sense', signal: 'runs', sense: 'eye', plain: true, when: 'found' },
    { id: 'runs', type: 'sense', signal: 'runs', sense: 'eye', plain: true, when: 'idle' },
  ],
  faults: {
    sealed: {
      title: 'waste hose sealed or pushed too deep: it siphons',
      saidWith: { moved: 0.5, 'worked-on': 0.2 },
      only,
      effects: [{ mode: 'mouth', at: 'sealed' }],
      ratePerYear: 0.01,
      cure: 'restore',
    },
    low: {
      title: 'waste hose hangs too low',
      saidWith: { moved: 0.5, 'worked-on': 0.2 },
      only,
      effects: [{ param: 'height', to: 'severity' }],
      severity: { from: 0, to: 0.08, scale: 'linear' },
      ratePerYear: 0.01,
      cure: 'restore',
    },
    blocked: {
      title: 'waste hose blocked',
      titleBy: { choice: 'ends', words: { open: 'blocked' } },
      effects: [{ param: 'clear', to: 'severity' }],
      severity: { from: 0.003, to: 0.2, scale: 'log' },
      ratePerYear: 0.02,
      cure: 'clean',
    },
  },
  works: {
    clean: {
      steps: [
        DEAD,
        {
          do: 'Tray under it, drain hose off above the level of what stands in it',
          caution: 'What stands in the machine runs out, hot after a run',
        },
        'Cleared to the end with a flexible rod, flushed with a bucket',
        'Hose back on its hook, clip on',
        'Emptied once: the stream seen, nothing back',
      ],
    },
    restore: {
      steps: [
        'Hang the end of the hose at the height of the sheet, with air round it',
        'No loop that holds water, no end pushed deep into the pipe',
        'Fill and empty once: it does not drain while it fills',
      ],
    },
  },
}
