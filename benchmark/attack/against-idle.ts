import { interval, printLoad } from '../served'
import { printRows, type Row } from '../table'
import { quantile } from '../time-jobs'
import { calibrate } from '../timing'

const ROUNDS = 5
/** Somebody who works may wait so much longer than when nobody attacks. */
const AIM = 2

/** What goes on until it is told to stop, and then says what it was told, by status. */
export type Attack = () => { stop: () => Promise<Record<string, number>> }

/** Does the same again and again, so many at once, until it is told to stop. @param act answers a status */
export const manyAtOnce =
  (many: number, act: (who: number, i: number) => Promise<number>): Attack =>
  () => {
    let over = false
    const answers: Record<string, number> = {}
    const all = Array.from({ length: many }, async (_, who) => {
      for (let i = 0; !over; i++) {
        const status = await act(who, i)
        answers[status] = (answers[status] ?? 0) + 1
      }
    })
    const stop = async () => {
      over = true
      await Promise.all(all)
      return answers
    }
    return { stop }
  }

/**
 * Measures how long somebody waits, idle and under attack in turn, five rounds; a fixed loop before each says whether the machine was busy.
 *
 * @param once what that person asks for once
 */
export async function againstIdle(title: string, once: (i: number) => Promise<unknown>, attack: Attack): Promise<void> {
  const p95 = async () => {
    const times: number[] = []
    for (let i = 0; i < 80; i++) {
      const start = performance.now()
      await once(i)
      times.push(performance.now() - start)
    }
    return quantile(times, 0.95)
  }
  const calibrations: number[] = []
  const idle: number[] = []
  const attacked: number[] = []
  const answers: Record<string, number> = {}
  await p95()
  for (let round = 0; round < ROUNDS; round++) {
    calibrations.push(calibrate())
    idle.push(await p95())
    const running = attack()
    attacked.push(await p95())
    for (const [status, n] of Object.entries(await running.stop())) answers[status] = (answers[status] ?? 0) + n
  }
  const row = (what: string, list: readonly number[], more: Pick<Row, 'unit' | 'most'>): Row => ({
    what,
    figure: quantile(list, 0.5),
    interval: interval(list),
    ...more,
  })
  printRows(`${title}, five rounds`, [
    row(
      'p95 of somebody else, over idle',
      attacked.map((a, i) => a / idle[i]!),
      { unit: 'times', most: AIM },
    ),
    row('p95 idle', idle, { unit: 'ms' }),
    row('p95 under attack', attacked, { unit: 'ms' }),
    ...Object.entries(answers).map(([status, n]) => ({ what: `attackers told ${status}`, figure: n, unit: '' })),
  ])
  printLoad(calibrations)
}
