import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'timer-relay',
  title: 'delay timer',
  line: 'power',
  terminals: ['a', 'b', 'com', 'no'],
  insulated: [
    ['a', 'b'],
    ['com', 'no'],
  ],
  ports: [],
  params: {
    ohms: { dimension: 'resistance', typical: '5 kΩ ±20 %', min: 1 },
    starts: { dimension: 'voltage' },
    delay: { dimension: 'time', min: 0 },
    'contact-ohms': { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
  },
  /** Its contact closes late, or opens late, or is closed for a time from when it is fed. */
  choices: { delays: ['closing', 'opening', 'interval'] },
  modes: [
    { name: 'fed', values: ['no', 'yes'], initial: 0 },
    { name: 'contact', values: ['open', 'closed'], initial: 0 },
  ],
}
