import { steamWayBlocked } from '../steam-way'
import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'blows', type: 'sense', signal: 'blows', sense: 'eye', plain: true, when: 'active' }],
  faults: { blocked: steamWayBlocked('steam pipe or its head scaled up') },
  works: {
    clean: {
      steps: [
        {
          do: 'Off, cold, without pressure at the gauge',
          caution: 'Behind a blockage the boiler may stand under pressure',
        },
        'Take the outlet off, ream and descale it, look through it',
        'Look along the pipe for a low place where water stands',
        'Steam seen at the outlet, from a distance',
      ],
    },
  },
}
