import { steamWayBlocked } from '../steam-way'
import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'blows', type: 'sense', signal: 'blows', sense: 'eye', plain: true, when: 'active' }],
  faults: { blocked: steamWayBlocked('steam pipe or its head scaled up') },
}
