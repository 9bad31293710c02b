/** A clock that is further off than this is worth a word, ms. */
export const WORTH_A_WORD = 2 * 60_000

/** What a device's clock is off by, positive when it is fast, ms. Both moments are of the same instant. */
export const clockOffset = (device: string, server: Date): number => new Date(device).getTime() - server.getTime()

/**
 * When something happened, by the server's clock: what the device said, corrected by what its clock is off now, and
 * never later than it was received. Shown only; no order hangs on it.
 *
 * @param at by the device's clock, ISO 8601
 * @param offset what that clock is off by, ms
 */
export function boundedMoment(at: string, offset: number, received: Date): Date {
  const off = Math.abs(offset) > WORTH_A_WORD ? offset : 0
  return new Date(Math.min(new Date(at).getTime() - off, received.getTime()))
}
