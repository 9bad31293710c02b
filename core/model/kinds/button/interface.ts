import type { KindInterface } from '../contract'

/** A button that a finger presses and that springs back: its contact is made, or broken, for as long as the finger is on it. */
export const kindInterface: KindInterface = {
  id: 'button',
  title: 'button',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  params: {
    held: { description: 'how long a finger stays on it', dimension: 'time', typical: '1 s ±30 %', min: 0.05 },
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
  },
  choices: { rest: ['open', 'closed'] },
  modes: [
    { name: 'pressed', values: ['no', 'yes'], initial: 0 },
    // A finger that stays on a button which has been let go presses it no second time.
    { name: 'finger', values: ['away', 'on', 'lifted'], initial: 0 },
    { name: 'contact', values: ['open', 'closed', 'follows'], initial: 2 },
  ],
  manual: { mode: 'pressed', disconnected: 0 },
  interrupts: { mode: 'contact', value: 0 },
  jumperAllowed: true,
}
