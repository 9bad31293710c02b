import type { Component } from '../physics/circuit'
import { copper } from './copper'
import type { KindSpec, Live, Part } from './contract'

/** A coil that pulls a plunger: modes `coil` and `plunger`, params ohms, henries-out, henries-in, pull-in, drop-out. */

export const coilSpec = {
  terminals: ['a', 'b'],
  windings: ['ohms'],
  hysteresis: [['pull-in', 'drop-out']],
} satisfies Partial<KindSpec>

export const coilParams = {
  ohms: { dimension: 'resistance', least: 0.1 },
  'henries-out': { dimension: 'inductance', least: 1e-6 },
  'henries-in': { dimension: 'inductance', least: 1e-6 },
  'pull-in': { dimension: 'voltage' },
  'drop-out': { dimension: 'voltage' },
} satisfies KindSpec['params']

export const coilModes = [
  { name: 'coil', values: ['open', 'whole'], initial: 1 },
  { name: 'plunger', values: ['rest', 'pulled'], initial: 0 },
] satisfies KindSpec['modes']

/** Volts across a whole coil, 0 across a broken one. */
export const coilVolts = ({ e, mode }: Part, live: Live): number => (live.m[mode.coil] ? live.volts(e.a, e.b) : 0)

/** The winding as it stands: hot copper, less inductance with the plunger out. */
export function stampCoil({ e, param, mode }: Part, { v, m, ambient }: Live, emit: (c: Component) => void): void {
  if (m[mode.coil] === 0) return
  const henries = m[mode.plunger] ? v[param['henries-in']] : v[param['henries-out']]
  emit({ type: 'RL', a: e.a, b: e.b, ohms: v[param.ohms] * copper(ambient), henries })
}

/** What the plunger wants now: 1 pulled, 0 back at rest, undefined when it is content. */
export function plungerWants(part: Part, live: Live): 0 | 1 | undefined {
  const volts = coilVolts(part, live)
  const pulled = live.m[part.mode.plunger] === 1
  if (!pulled && volts >= live.v[part.param['pull-in']]) return 1
  if (pulled && volts < live.v[part.param['drop-out']]) return 0
  return undefined
}

export const coilSignals = {
  energised: {
    about: 'coil has enough voltage to pull',
    read: (part: Part, live: Live) => (coilVolts(part, live) >= live.v[part.param['pull-in']] ? 1 : 0),
  },
  hums: {
    about: 'the coil hums',
    read: (part: Part, live: Live) => (coilVolts(part, live) >= 0.4 * live.v[part.param['pull-in']] ? 1 : 0),
  },
}
