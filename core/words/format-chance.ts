/** A share of one as the trade says it; never "0 %" for what is possible, never "100 %" for what is not proved. */
export function formatChance(p: number): string {
  if (p < 0.005) return 'under 1 %'
  if (p > 0.995) return 'over 99 %'
  return `${Math.round(p * 100)} %`
}
