import { LOCALE, type Locale } from './locale'

/** What would tip the choice between two repairs. */
interface Tipping {
  figure: 'access' | 'call-back' | 'price' | 'holds'
  side: 'above' | 'below'
  at: number
  now: number
}

/**
 * Money as people of a place write it. @param minor in minor units of the currency
 *
 * @example formatMoney(12345, 'EUR') is '€123.45'
 */
export function formatMoney(minor: number, currency: string, locale: Locale = LOCALE): string {
  const form = new Intl.NumberFormat(locale, { style: 'currency', currency })
  return form.format(minor / minorUnits(currency, locale))
}

/** How many minor units make one of a currency: 100 as a rule, 1 where it has none. */
export const minorUnits = (currency: string, locale: Locale = LOCALE): number =>
  10 ** (new Intl.NumberFormat(locale, { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2)

/** Money that is only expected: without its small change. */
export const formatAbout = (units: number, currency: string, locale: Locale = LOCALE): string =>
  new Intl.NumberFormat(locale, { style: 'currency', currency, maximumFractionDigits: 0 }).format(units)

const minutes = (at: number) => `${at < 10 ? Math.round(at * 2) / 2 : Math.round(at)} min`

const SAYS: Record<Locale, (t: Tipping, currency: string) => string> = {
  en({ figure, side, at, now }, currency) {
    switch (figure) {
      case 'access':
        return `pays off ${side} ${minutes(at)} of access (${minutes(now)} here)`
      case 'call-back':
        return `pays off where coming back costs ${side === 'above' ? 'more' : 'less'} than ${minutes(at)} (reckoned with ${minutes(now)})`
      case 'price':
        return `pays off with its part below ${formatAbout(at, currency)} (${formatAbout(now, currency)} now)`
      case 'holds':
        return `pays off if it held in ${Math.round(at * 100)} of 100 cases (${Math.round(now * 100)} now)`
    }
  },
}

/** When another repair would be the better one, as the end of a sentence. @param currency as in ISO 4217 */
export const describeTipping = (tipping: Tipping, currency: string, locale: Locale = LOCALE): string =>
  SAYS[locale](tipping, currency)
