const keyOf = (place: string) => `duckweed:meter:${place}`

/** The meter whose line stands open at a place of this tab; `undefined` where none does. */
export function keptMeter(place: string): string | undefined {
  try {
    return sessionStorage.getItem(keyOf(place)) ?? undefined
  } catch {
    return undefined
  }
}

/** Notes which line stands open, or that none does. A device that keeps nothing asks again. */
export function keepMeter(place: string, meter: string | undefined): void {
  try {
    if (meter === undefined) sessionStorage.removeItem(keyOf(place))
    else sessionStorage.setItem(keyOf(place), meter)
  } catch {
    // Nothing is kept then.
  }
}
