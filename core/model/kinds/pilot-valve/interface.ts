import { coilModes, coilParams, coilInterface } from '../coil'
import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'pilot-valve',
  title: 'pilot valve',
  line: 'water',
  ...coilInterface,
  // 24 V AC.
  windingBands: [[15, 65]],
  ports: ['in', 'out'],
  params: {
    ...coilParams,
    'opens-at': { dimension: 'pressure', typical: '0.8 bar ±15 %', min: 0 },
    passes: { dimension: 'flow', typical: '60 L/min ±10 %', min: 1e-9 },
  },
  // The chamber over the diaphragm fills through the metering port and is vented by the bleed, to the outside, or past
  // the plunger, through the exhaust path. Vented, the diaphragm lifts; filled, it seats.
  modes: [
    ...coilModes,
    { name: 'solenoid', values: ['seated', 'turned'], initial: 0 },
    { name: 'bleed', values: ['snug', 'open'], initial: 0 },
    { name: 'exhaust', values: ['blocked', 'clear'], initial: 1 },
    { name: 'metering', values: ['blocked', 'clear'], initial: 1 },
    { name: 'diaphragm', values: ['stiff', 'torn', 'sound'], initial: 2 },
    { name: 'flow-control', values: ['closed', 'open'], initial: 1 },
    { name: 'passage', values: ['closed', 'open'], initial: 0 },
  ],
  leadLifts: true,
}
