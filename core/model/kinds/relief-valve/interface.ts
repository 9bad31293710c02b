import type { KindInterface } from '../contract'
import { steamWayParams } from '../steam-way'

/** Lets steam out of a boiler before its pressure gets too high, and shuts again below that. */
export const kindInterface: KindInterface = {
  id: 'relief-valve',
  title: 'relief valve',
  line: 'water',
  terminals: [],
  ports: [],
  params: {
    ...steamWayParams,
    'opens-at': { description: 'pressure of the steam at which it opens', dimension: 'pressure' },
    'shuts-at': { description: 'pressure at which it shuts again', dimension: 'pressure' },
    leaks: {
      description: 'share that a worn seat lets through when it is shut',
      dimension: 'ratio',
      typical: '3 % ±50 %',
      min: 1e-6,
      max: 1,
    },
  },
  hysteresis: [['opens-at', 'shuts-at']],
  refs: { of: 'temperature' },
  modes: [
    { name: 'lid', values: ['shut', 'open'], initial: 0 },
    { name: 'guide', values: ['jammed', 'free'], initial: 1 },
    { name: 'seat', values: ['leaks', 'tight'], initial: 1 },
  ],
  endangers: 'heat',
}
