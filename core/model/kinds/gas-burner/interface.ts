import type { KindInterface } from '../contract'

/** A gas burner with its own control: called by a voltage, it lights after a while and heats the water that it stands under. All inside it is gas work. */
export const kindInterface: KindInterface = {
  id: 'gas-burner',
  title: 'gas burner',
  line: 'power',
  terminals: ['a', 'b'],
  ports: [],
  endangers: 'heat',
  params: {
    ohms: { dimension: 'resistance', typical: '2 kΩ ±20 %', min: 1e-3 },
    starts: { dimension: 'voltage', min: 0 },
    lights: { description: 'time from its call to its flame', dimension: 'time', typical: '8 s ±20 %', min: 0.1 },
    watts: { description: 'what of its flame gets into the water', dimension: 'power', min: 1 },
  },
  refs: { in: 'temperature' },
  modes: [
    { name: 'fed', values: ['no', 'yes'], initial: 0 },
    { name: 'flame', values: ['out', 'burning'], initial: 0 },
    { name: 'train', values: ['dead', 'sound'], initial: 1 },
  ],
}
