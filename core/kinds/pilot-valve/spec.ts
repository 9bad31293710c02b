import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'pilot-valve',
  title: 'pilot valve',
  line: 'water',
  terminals: ['a', 'b'],
  ports: ['in', 'out'],
  windings: ['ohms'],
  hysteresis: [['pull-in', 'drop-out']],
  params: {
    ohms: { dimension: 'resistance', least: 0.1 },
    'henries-out': { dimension: 'inductance', least: 1e-6 },
    'henries-in': { dimension: 'inductance', least: 1e-6 },
    'pull-in': { dimension: 'voltage' },
    'drop-out': { dimension: 'voltage' },
    'opens-at': { dimension: 'pressure', typical: '0.8 bar ±15 %', least: 0 },
    passes: { dimension: 'flow', typical: '60 L/min ±10 %', least: 1e-9 },
  },
  // The chamber over the diaphragm fills through the metering port and is vented by the bleed, to the outside, or past
  // the plunger, through the exhaust path. Vented, the diaphragm lifts; filled, it seats.
  modes: [
    { name: 'coil', values: ['open', 'whole'], initial: 1 },
    { name: 'plunger', values: ['rest', 'pulled'], initial: 0 },
    { name: 'solenoid', values: ['seated', 'turned'], initial: 0 },
    { name: 'bleed', values: ['snug', 'open'], initial: 0 },
    { name: 'exhaust', values: ['blocked', 'clear'], initial: 1 },
    { name: 'metering', values: ['blocked', 'clear'], initial: 1 },
    { name: 'diaphragm', values: ['stiff', 'torn', 'sound'], initial: 2 },
    { name: 'flow-control', values: ['closed', 'open'], initial: 1 },
    { name: 'passage', values: ['closed', 'open'], initial: 0 },
  ],
}
