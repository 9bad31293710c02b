/** Asks once more where a connection that was kept open ended just as it was used again: nothing had been sent then. */
export async function steady(address: string, asked: RequestInit = {}): Promise<Response> {
  try {
    return await fetch(address, asked)
  } catch {
    return fetch(address, asked)
  }
}
