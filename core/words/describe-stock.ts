/** Where pieces of a part lie. @param own id of whoever asks: their van is called theirs */
export const describeStock = (
  stock: readonly { store: string; name: string; count: number }[],
  own: string | undefined,
): string =>
  stock
    .map(
      ({ store, name, count }) =>
        `${count} ${store === 'shop' ? 'in the shop' : store === own ? 'in your van' : `in the van of ${name}`}`,
    )
    .join(', ') || 'none booked in'

const FIGURES: Readonly<Record<string, string>> = {
  named: 'named as a substitute',
  volts: 'same volts',
  degrees: 'same temperature',
  contact: 'same contact',
  thread: 'same thread',
}
/** By what one part may stand in for another. */
export const describeStandIn = (by: readonly string[]): string => by.map((b) => FIGURES[b] ?? b).join(', ')
