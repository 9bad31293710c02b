import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  signals: {
    set: {
      description: 'start times stand in it, the seasonal adjust is above 0 % and no rain delay is on',
      read: ({ mode }, { modes }) => modes[mode.settings],
    },
  },
}
