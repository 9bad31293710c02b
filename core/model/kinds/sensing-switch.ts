import type { Dimension } from '../../foundation/quantity'
import type { FaultTemplate, KindBehaviour, KindInterface, KindService, Part, PointView } from './contract'

/** A switch that a signal of another part works: it switches over as that rises to `trip` and back as it falls to `return`. */
export interface SensingSwitch {
  id: string
  title: string
  /** What it feels, as a signal of the part that it refers to under `of`. */
  signal: string
  dimension: Dimension
  /** What a hand does to make it believe that it is above and below. */
  byHand: { below: string; above: string }
  /** What is found of the way by which it feels, looked at or tried by hand: what is true where that is free. */
  way?: { free: string; minutes: number }
  /** No hand works it: what it feels is pressure or damp. */
  worked?: 'never'
  /** Faults of its own besides those of its contact. */
  faults?: Record<string, FaultTemplate>
}

const FOLLOWS = 2
const closed = ({ mode, choice }: Part, { modes }: PointView): boolean =>
  modes[mode.contact] < FOLLOWS
    ? modes[mode.contact] === 1
    : (modes[mode.snap] === 1) === (choice['on-rise'] === 'closes')

export const sensingInterface = ({ id, title, signal, dimension, byHand }: SensingSwitch): KindInterface => ({
  id,
  title,
  line: 'level',
  terminals: ['1', '2'],
  ports: [],
  hysteresis: [['trip', 'return']],
  params: {
    trip: { description: 'where it switches as that rises', dimension },
    return: { description: 'where it switches back as that falls', dimension },
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
  },
  choices: { 'on-rise': ['closes', 'opens'] },
  refs: { of: signal },
  modes: [
    { name: 'snap', values: ['below', 'above'], initial: 0, byHand },
    { name: 'contact', values: ['open', 'closed', 'follows'], initial: FOLLOWS },
    // Blocked, it feels nothing.
    { name: 'way', values: ['blocked', 'free'], initial: 1 },
  ],
  interrupts: { mode: 'contact', value: 0 },
  jumperAllowed: false,
  forcible: ['snap'],
})

export const sensingBehaviour = ({ signal, way }: SensingSwitch): KindBehaviour => ({
  stamp(part, point, emit) {
    if (closed(part, point))
      emit({ type: 'R', a: part.nodes['1'], b: part.nodes['2'], ohms: point.values[part.param.ohms] })
  },
  transition(part, point, request) {
    const { mode, param } = part
    const above = point.modes[mode.snap] === 1
    if (!point.modes[mode.way]) {
      if (above) request(mode.snap, 0)
      return
    }
    const felt = point.referredSignal(part, 'of', signal)
    if (!above && felt >= point.values[param.trip]) request(mode.snap, 1)
    if (above && felt <= point.values[param.return]) request(mode.snap, 0)
  },
  signals: {
    closed: { description: 'contact closed', read: (part, point) => (closed(part, point) ? 1 : 0) },
    free: {
      description: way?.free ?? 'nothing blocks what it feels by',
      read: ({ mode }, { modes }) => modes[mode.way],
    },
  },
})

export const sensingService = ({ way, worked, faults }: SensingSwitch): KindService => ({
  measurements: () => [
    { id: 'ohms', type: 'ohms', a: '1', b: '2', when: 'isolated', lifted: true },
    ...(worked === 'never' ? [] : [{ id: 'worked', type: 'worked', when: 'isolated' } as const]),
    { id: 'across', type: 'volts', a: '1', b: '2', when: 'active' },
    { id: 'to-return', type: 'volts', a: '2', b: '@return', when: 'active' },
    ...(way
      ? [
          {
            id: 'free',
            type: 'sense',
            signal: 'free',
            sense: 'hand',
            plain: true,
            when: 'isolated',
            minutes: way.minutes,
          } as const,
        ]
      : []),
  ],
  faults: {
    'stuck-open': {
      title: 'switch does not close',
      effects: [{ mode: 'contact', at: 'open' }],
      ratePerYear: 0.012,
      intermittentShare: 0.15,
      cure: 'replace',
    },
    'stuck-closed': {
      title: 'switch does not open',
      effects: [{ mode: 'contact', at: 'closed' }],
      ratePerYear: 0.006,
      cure: 'replace',
    },
    ...faults,
  },
})
