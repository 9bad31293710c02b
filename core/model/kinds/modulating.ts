import { linkOfKv } from './link-of-kv'
import type { FaultTemplate, KindBehaviour, KindInterface, Part, PointView } from './contract'

/**
 * A valve that nobody calls for: what it is moved by opens and shuts it little by little. It moves in steps, so that the network of the
 * moment hangs on modes alone: a step up once its share is reached, a step down one step below it.
 *
 * Modes `lift`, `arm` (what a hand holds it at), `guide` (what holds it against the hand) and `seat`.
 */
const STEPS = ['shut', 'a quarter open', 'half open', 'three quarters open', 'open'] as const
const WIDE = STEPS.length - 1
const FREE = 2

export const modulatingModes = [
  { name: 'lift', values: STEPS, initial: 0 },
  { name: 'arm', values: ['shut', 'open', 'free'], initial: FREE },
  { name: 'guide', values: ['jammed-shut', 'jammed-open', 'free'], initial: FREE },
  { name: 'seat', values: ['leaks', 'tight'], initial: 1 },
] satisfies KindInterface['modes']

export const modulatingParams = {
  passes: { dimension: 'flow', typical: '12 L/min ±15 %', min: 1e-9 },
  leaks: {
    description: 'share that a worn seat lets through when it is shut',
    dimension: 'ratio',
    typical: '4 % ±50 %',
    min: 1e-6,
    max: 1,
  },
} satisfies KindInterface['params']

/** How far it stands open, in steps: a jam is stronger than a hand, a hand than what moves it. */
function liftOf({ mode }: Part, { modes }: PointView): number {
  for (const held of [modes[mode.guide], modes[mode.arm]]) if (held < FREE) return held * WIDE
  return modes[mode.lift]
}

/**
 * @param wanted how far what moves the valve wants it open, 0 … 1; values outside are taken as the nearer end
 */
export function modulating(wanted: (part: Part, point: PointView) => number): KindBehaviour {
  return {
    links(part, point, emit) {
      const { ports, param, mode } = part
      const { values, modes } = point
      const lift = liftOf(part, point)
      const share = lift === 0 && modes[mode.seat] === 0 ? values[param.leaks] : lift / WIDE
      if (share > 0) emit({ ...linkOfKv(ports.in, ports.out, values[param.passes] * share), oneWay: true })
    },
    transition(part, point, request) {
      const { lift } = part.mode
      const at = point.modes[lift]
      const steps = wanted(part, point) * WIDE
      if (at < WIDE && steps >= at + 1) request(lift, at + 1)
      else if (at > 0 && steps <= at - 1) request(lift, at - 1)
    },
    signals: {
      wants: { description: 'it should stand open', read: (part, point) => (wanted(part, point) > 0 ? 1 : 0) },
      free: {
        description: 'it moves freely by hand',
        read: ({ mode }, { modes }) => (modes[mode.guide] === FREE ? 1 : 0),
      },
      flow: { description: 'flow through the valve', dimension: 'flow', read: (part, point) => point.flow(part) },
      passes: {
        description: 'water runs through it',
        from: '0.05 L/min',
        read: (part, point) => (point.flow(part) > 0.05e-3 / 60 ? 1 : 0),
      },
    },
    active: 'wants',
  }
}

export const modulatingFaults = {
  'jammed-shut': {
    title: 'valve stuck shut',
    effects: [{ mode: 'guide', at: 'jammed-shut' }],
    ratePerYear: 0.015,
    saidWith: { tapping: 0.2 },
    cure: 'clean',
  },
  'jammed-open': {
    title: 'valve stuck open',
    effects: [{ mode: 'guide', at: 'jammed-open' }],
    ratePerYear: 0.01,
    cure: 'clean',
  },
  leaks: {
    title: 'seat does not shut tight',
    effects: [{ mode: 'seat', at: 'leaks' }],
    ratePerYear: 0.03,
    cure: 'replace',
  },
} satisfies Record<string, FaultTemplate>
