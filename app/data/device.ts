import { v7 as uuidv7 } from 'uuid'

const DEVICE = 'duckweed:device'
const ORDINAL = 'duckweed:ordinal'

/** What a browser keeps as text; a browser that keeps nothing answers nothing. */
export function recall(key: string): string | undefined {
  try {
    return localStorage.getItem(key) ?? undefined
  } catch {
    return undefined
  }
}

/** @returns whether it was kept */
export function remember(key: string, value: string | undefined): boolean {
  try {
    if (value === undefined) localStorage.removeItem(key)
    else localStorage.setItem(key, value)
    return true
  } catch {
    return false
  }
}

let own: string | undefined
/** The name of this device, made once. */
export function deviceId(): string {
  own ??= recall(DEVICE)
  if (!own) remember(DEVICE, (own = uuidv7()))
  return own
}

let counted = 0
/** Counts the entries of this device, from 1. */
export function nextOrdinal(): number {
  counted = Math.max(counted, Number(recall(ORDINAL) ?? 0)) + 1
  remember(ORDINAL, String(counted))
  return counted
}
