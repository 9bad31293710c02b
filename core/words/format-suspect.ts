/** The faults of a suspect by their titles; healthy is the one without. */
export const formatSuspect = (faults: readonly { title: string }[]): string =>
  faults.length ? faults.map((f) => f.title).join(' and ') : 'nothing wrong'

/** A cause that the sheet does not list. */
export const UNKNOWN_FAULT = 'something else'
