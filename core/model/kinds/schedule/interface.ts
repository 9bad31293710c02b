import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'schedule',
  title: 'schedule of a control',
  line: 'level',
  terminals: [],
  ports: [],
  params: {},
  modes: [{ name: 'settings', values: ['nothing', 'set'], initial: 1 }],
}
