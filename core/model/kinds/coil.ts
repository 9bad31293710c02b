import type { Component } from '../../physics/circuit'
import { copperFactor } from './copper'
import type { FaultTemplate, KindInterface, PointView, Part } from './contract'

/** A coil that pulls a plunger: modes `coil` and `plunger`, params ohms, henries-out, henries-in, pull-in, drop-out. */

export const coilInterface = {
  terminals: ['a', 'b'],
  rated: 'coil',
  windings: ['ohms'],
  hysteresis: [['pull-in', 'drop-out']],
} satisfies Partial<KindInterface>

export const coilParams = {
  ohms: { dimension: 'resistance', min: 0.1 },
  'henries-out': { dimension: 'inductance', min: 1e-6 },
  'henries-in': { dimension: 'inductance', min: 1e-6 },
  'pull-in': { dimension: 'voltage' },
  'drop-out': { dimension: 'voltage' },
} satisfies KindInterface['params']

export const coilModes = [
  { name: 'coil', values: ['open', 'whole'], initial: 1 },
  { name: 'plunger', values: ['rest', 'pulled'], initial: 0 },
] satisfies KindInterface['modes']

/** Volts (RMS or DC magnitude) across a whole coil, 0 across a broken one. */
export const coilVolts = ({ nodes, mode }: Part, point: PointView): number =>
  point.modes[mode.coil] ? point.volts(nodes.a, nodes.b) : 0

/** The alternating part of the volts across a whole coil, RMS: what it hums with. On a battery no coil hums or buzzes. */
export function hummingVolts(part: Part, point: PointView): number {
  const [all, steady] = [coilVolts(part, point), point.dcVolts(part.nodes.a, part.nodes.b)]
  return Math.sqrt(Math.max(0, all * all - steady * steady))
}

/** The winding as it stands: hot copper, less inductance with the plunger out. */
export function stampCoil(
  { nodes, param, mode }: Part,
  { values, modes, ambient }: PointView,
  emit: (c: Component) => void,
): void {
  if (modes[mode.coil] === 0) return
  const henries = modes[mode.plunger] ? values[param['henries-in']] : values[param['henries-out']]
  emit({ type: 'RL', a: nodes.a, b: nodes.b, ohms: values[param.ohms] * copperFactor(ambient), henries })
}

/** What the plunger wants now: 1 pulled, 0 back at rest, undefined when it is stable. */
export function plungerTransition(part: Part, point: PointView): 0 | 1 | undefined {
  const volts = coilVolts(part, point)
  const pulled = point.modes[part.mode.plunger] === 1
  if (!pulled && volts >= point.values[part.param['pull-in']]) return 1
  if (pulled && volts < point.values[part.param['drop-out']]) return 0
  return undefined
}

export const coilSignals = {
  energised: {
    description: 'coil has enough voltage to pull',
    read: (part: Part, point: PointView) => (coilVolts(part, point) >= point.values[part.param['pull-in']] ? 1 : 0),
  },
  hums: {
    description: 'the coil hums',
    read: (part: Part, point: PointView) =>
      hummingVolts(part, point) >= 0.4 * point.values[part.param['pull-in']] ? 1 : 0,
  },
}

/**
 * What goes wrong with the winding.
 *
 * @param from share of its ohms and henries that the worst short leaves
 * @param to the same of the slightest that still keeps it from pulling
 */
export const coilFaults = (from: number, to: number): Record<'coil-open' | 'coil-shorted', FaultTemplate> => ({
  // Some open only once they have become warm, and are whole again when somebody comes.
  'coil-open': {
    title: 'coil open',
    saidWith: { 'when-hot': 0.15, 'now-and-then': 0.1 },
    effects: [{ mode: 'coil', at: 'open' }],
    ratePerYear: 0.02,
    intermittentShare: 0.08,
    cure: 'replace',
  },
  'coil-shorted': {
    title: 'coil with shorted turns',
    effects: [
      { param: 'ohms', times: 'severity' },
      { param: 'henries-out', times: 'severity' },
      { param: 'henries-in', times: 'severity' },
      { param: 'pull-in', times: 10 },
    ],
    severity: { from, to, scale: 'log' },
    ratePerYear: 0.005,
    cure: 'replace',
  },
})
