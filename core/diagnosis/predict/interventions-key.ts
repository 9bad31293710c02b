import type { Intervention } from '../../model/machine'

/** What hands have done, as a key for caching: the same whatever the order. */
export const interventionsKey = (interventions: readonly Intervention[]): string =>
  interventions
    .map((e) => (e.hold ? `h${e.hold.mode}:${e.hold.value}` : e.repair === undefined ? `j${e.jumper}` : `r${e.repair}`))
    .sort()
    .join(' ')
