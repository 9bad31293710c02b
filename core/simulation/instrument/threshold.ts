/**
 * Share of the thresholds of all testers, log-uniform between two, that lie below a value: 0 … 1.
 *
 * @param value in the unit of the range; 0 and below give 0
 */
export const shareBelow = (value: number, { from, to }: { from: number; to: number }): number =>
  value <= from ? 0 : value >= to ? 1 : Math.log(value / from) / Math.log(to / from)
