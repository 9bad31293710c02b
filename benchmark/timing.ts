/** How long something takes, ms. */
export async function timed(act: () => Promise<unknown>): Promise<number> {
  const start = performance.now()
  await act()
  return performance.now() - start
}
/** How long a fixed piece of arithmetic takes, ms: how busy the machine is. */
export function calibrate(): number {
  const start = performance.now()
  let x = 1
  for (let i = 0; i < 2e7; i++) x = (x * 1103515245 + 12345) % 2147483648
  return performance.now() - start + (x < 0 ? 1 : 0)
}
/** How long each of so many calls takes, one after another, ms. */
export async function inTurn(times: number, act: (i: number) => Promise<unknown>): Promise<number[]> {
  const out: number[] = []
  for (let i = 0; i < times; i++) out.push(await timed(() => act(i)))
  return out
}
