const WRITTEN = /^([-−]?)(\d{1,9})(?:[.,](\d+))?$/u

/**
 * Money as it is typed, in minor units; a comma or a point before the small change, spaces and a currency sign beside it left out of
 * account.
 *
 * @param minorUnits how many minor units make one: 100, or 1 where a currency has none
 * @returns `undefined` for what is no amount, or finer than the currency goes
 * @example parseMoney('38,5', 100) is 3850
 */
export function parseMoney(text: string, minorUnits: number): number | undefined {
  const bare = text.replace(/[\s\p{Sc}]|[A-Z]{3}/gu, '')
  const read = WRITTEN.exec(bare)
  if (!read) return undefined
  const digits = Math.round(Math.log10(minorUnits))
  const [, sign, whole, change = ''] = read
  if (change.length > digits) return undefined
  const minor = Number(whole) * minorUnits + Number(change.padEnd(digits, '0') || 0)
  return sign ? -minor : minor
}
