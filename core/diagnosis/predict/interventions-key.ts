import type { Intervention } from '../../model/machine'

/** What hands have done, as a key for caching: the same whatever the order. */
export const interventionsKey = (interventions: readonly Intervention[]): string =>
  interventions
    .map(({ hold, leads, jumper, lifted, repair }) =>
      [
        hold && `h${hold.mode}:${hold.value}`,
        leads && `l${leads.join(':')}`,
        jumper === undefined ? undefined : `j${jumper}`,
        lifted === undefined ? undefined : `w${lifted}`,
        repair === undefined ? undefined : `r${repair}`,
      ]
        .filter((x) => x !== undefined)
        .join(),
    )
    .sort()
    .join(' ')
