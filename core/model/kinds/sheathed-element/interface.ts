import type { KindInterface } from '../contract'

/** A heating element whose sheath gets hotter than the water around it: the thicker the scale on it, the more. */
export const kindInterface: KindInterface = {
  id: 'sheathed-element',
  title: 'heating element',
  line: 'power',
  terminals: ['a', 'b'],
  endangers: 'heat',
  ports: [],
  windings: ['ohms'],
  rated: 'heater',
  params: {
    ohms: { dimension: 'resistance', min: 0.1 },
    watts: { description: 'its rated power', dimension: 'power', min: 1 },
    hotter: {
      description: 'its sheath above the water around it at its rated power, clean',
      dimension: 'kelvin',
      typical: '12 K ±25 %',
      min: 0.1,
    },
    follows: { description: 'time in which its sheath follows', dimension: 'time', typical: '12 s ±25 %', min: 0.5 },
    scale: { description: 'how many times hotter scale makes it', dimension: 'count', typical: '1', min: 1 },
  },
  refs: { in: 'temperature' },
  modes: [{ name: 'element', values: ['open', 'whole'], initial: 1 }],
  states: [{ name: 'above', tolerance: 1e-3 }],
}
