/** The server's clock, in one place. */
export const now = (): Date => new Date()
