import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'switch',
  title: 'switch',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  params: { ohms: { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 } },
  /** At rest; whether a finger can work it, as a door does and a pressure does not; whether a button stands out when it has tripped. */
  choices: { held: ['closed', 'open'], worked: ['by-hand', 'never'], reset: ['none', 'button'] },
  modes: [{ name: 'contact', values: ['open', 'closed'], initial: { choice: 'held' } }],
  manual: { mode: 'contact', disconnected: 0 },
  interrupts: { mode: 'contact', value: 0 },
  jumperAllowed: true,
  leadLifts: true,
}
