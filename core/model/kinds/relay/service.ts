import type { KindService } from '../contract'
import { changed } from '../works'

export const kindService: KindService = {
  measurements: () => [
    { id: 'coil-volts', type: 'volts', a: 'a', b: 'b', when: 'active' },
    { id: 'coil-ohms', type: 'ohms', a: 'a', b: 'b', when: 'isolated', lifted: true },
    { id: 'contact', type: 'volts', a: 'com', b: 'no', when: 'active' },
    // Released, its contact holds the supply off: a welded one does not.
    { id: 'idle-contact', type: 'volts', a: 'com', b: 'no', when: 'idle' },
    { id: 'coil-amps', type: 'amps', at: 'a', when: 'active' },
    { id: 'chatter', type: 'sense', signal: 'chatters', sense: 'ear', when: 'active' },
    { id: 'click', type: 'sense', signal: 'pulled', sense: 'ear', when: 'active' },
    {
      id: 'tapped',
      type: 'tapped',
      signal: 'pulled',
      called: 'chatters',
      frees: 'armature',
      sense: 'ear',
      when: 'active',
    },
  ],
  faults: {
    'coil-open': {
      title: 'relay coil open',
      effects: [{ mode: 'coil', at: 'open' }],
      ratePerYear: 0.008,
      cure: 'replace',
    },
    jammed: {
      title: 'armature jammed, it buzzes',
      saidWith: { tapping: 0.3, 'now-and-then': 0.2 },
      effects: [{ mode: 'armature', at: 'released' }],
      ratePerYear: 0.004,
      cure: 'replace',
    },
    'contact-burnt': {
      title: 'relay contact burnt',
      saidWith: { tapping: 0.3, 'now-and-then': 0.3, slowly: 0.2 },
      effects: [{ mode: 'no', at: 'burnt' }],
      ratePerYear: 0.012,
      cure: 'replace',
    },
    welded: {
      title: 'relay contact welded',
      effects: [{ mode: 'armature', at: 'pulled' }],
      ratePerYear: 0.006,
      cure: 'replace',
    },
  },
  works: {
    replace: changed('ohms of its coil, its contacts open and closed as it is fed on the bench'),
  },
}
