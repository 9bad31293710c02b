import type { Component } from '../../physics/circuit'
import type { KindInterface, Part, PointView } from './contract'

/** The winding of a motor or a pump: modes `winding`, `shaft` and `turning`, params ohms, henries, starts, stalls. */

/** Share of its starting voltage below which it stops. */
const STOPS_BELOW = 0.6

export const motorParams = {
  ohms: { dimension: 'resistance', min: 0.01 },
  henries: { dimension: 'inductance', typical: '0.3 H ±20 %', min: 1e-6 },
  starts: { dimension: 'voltage' },
  stalls: {
    description: 'how many times less inductive it is while it stands: a stalled motor draws several times its current',
    dimension: 'count',
    typical: '6 ±15 %',
    min: 1,
  },
} satisfies KindInterface['params']

export const motorModes = [
  { name: 'winding', values: ['open', 'whole'], initial: 1 },
  { name: 'shaft', values: ['seized', 'free'], initial: 1 },
  { name: 'turning', values: ['still', 'turning'], initial: 0 },
] satisfies KindInterface['modes']

/** Volts across a whole winding, 0 across a broken one. */
export const motorVolts = ({ nodes, mode }: Part, point: PointView): number =>
  point.modes[mode.winding] ? point.volts(nodes.a, nodes.b) : 0

export function stampMotor(
  { nodes, param, mode }: Part,
  { values, modes }: PointView,
  emit: (c: Component) => void,
): void {
  if (modes[mode.winding] === 0) return
  const henries = values[param.henries] / (modes[mode.turning] ? 1 : values[param.stalls])
  emit({ type: 'RL', a: nodes.a, b: nodes.b, ohms: values[param.ohms], henries })
}

/** Starts it at its voltage, stops it well below. */
export function turningTransition(part: Part, point: PointView, request: (mode: number, value: number) => void): void {
  const { param, mode } = part
  const volts = point.modes[mode.shaft] ? motorVolts(part, point) : 0
  const turning = point.modes[mode.turning] === 1
  if (!turning && volts >= point.values[param.starts]) request(mode.turning, 1)
  if (turning && volts < point.values[param.starts] * STOPS_BELOW) request(mode.turning, 0)
}

export const motorSignals = {
  runs: { description: 'it turns', read: ({ mode }: Part, { modes }: PointView) => modes[mode.turning] },
  free: {
    description: 'it turns freely by hand',
    read: ({ mode }: Part, { modes }: PointView) => modes[mode.shaft],
  },
}
