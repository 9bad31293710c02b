import { describe, expect, it } from 'vitest'
import { advise, createEngine, expectedRun } from '../../../core/advice'
import { LiveTrace, readAnswer, readError, seenCalls, Settling } from '../../../core/metering'
import { severityAt } from '../../../core/model/machine'
import { DrawnMachine, normal, random } from '../../../core/truth'
import { loadSheet } from '../../../cli/input'

describe('what a meter answers', () => {
  it.each([
    ['+1.18620000E+02', 118.62],
    ['-4.5e-3', -0.0045],
    ['0', 0],
    ['9.9E37', Infinity],
    ['+9.90000000E+37', Infinity],
    ['-9.9E+37', Infinity],
  ])('%s is a reading', (text, si) => expect(readAnswer(`${text}\r`)).toEqual({ type: 'value', si }))
  it.each(['', 'OK', '1,2', '12 V', 'NaN', 'Infinity', '0x10', '1e9999', '\u00a1\u00a2', '+', '.'])(
    '%j is none',
    (text) => {
      expect(readAnswer(text).type).toBe('nonsense')
    },
  )
  it('no error is none however it is written', () => {
    for (const text of ['+0,"No error"', '0,"No error"', '0']) expect(readError(text)).toBeUndefined()
    expect(readError('-113,"Undefined header"')).toBe('-113,"Undefined header"')
  })
})

describe('a reading comes to rest', () => {
  it('once where it stays, anew where it moved, never on a ramp or beyond the range', () => {
    const next = random(2)
    const settling = new Settling('volts-ac')
    const at: { s: number; si: number }[] = []
    const shows = (s: number) =>
      s < 3 ? 0.2 : s < 6 ? 0.2 + 40 * (s - 3) : s < 12 ? 120.2 : s < 15 ? Infinity : s < 20 ? 0.2 : 120.2
    for (let s = 0; s < 25; s += 0.15) {
      const si = settling.push(s, shows(s) + 0.03 * normal(next))
      if (si !== undefined) at.push({ s, si })
    }
    expect(at.map((r) => Math.round(r.si))).toEqual([0, 120, 0, 120])
    for (const [k, from] of [0, 6, 15, 20].entries()) expect(at[k]!.s - from).toBeLessThan(1.3)
  })
})

describe('a trace against the calls of a good machine', () => {
  const { catalogue, predictor } = createEngine(loadSheet('orrisk-tl40'))
  const { machine } = catalogue
  const expected = expectedRun(predictor, advise(predictor, []), 0, {}, false)
  /** What a meter at a valve shows through the warm wash of a machine by the plain simulator, with the line gone for a while. */
  const traced = (part: string, fault?: string, gone?: { from: number; to: number }) => {
    const own = machine.faults.find((f) => f.id === fault)
    const active = own ? [{ fault: own, severity: own.severity && severityAt(own.severity, 0.5) }] : []
    const live = new DrawnMachine(catalogue, active, random(7), 'none', 0).live()
    const trace = new LiveTrace()
    live.begin(0)
    const tips = { part: machine.parts.find((p) => p.id === part)!.index, a: 'a', b: 'b' }
    for (let s = 0; s < 240; s += 0.2) {
      live.goTo(s)
      if (gone && s >= gone.from && s < gone.to) continue
      trace.push(s, live.volts(tips, 'ac'))
    }
    const { seconds, columns } = trace.whole()
    const call = expected.calls.find((c) => c.test === `${part}.volts`)!
    return seenCalls(seconds, columns[0]!.values, call.shows, 240, true)
  }
  it.each(['cold-valve', 'hot-valve'])('%s: the call that was expected, when it was', (part) => {
    const calls = traced(part)
    expect(calls.map((c) => c.is)).toEqual(['came'])
    expect(Math.abs(calls[0]!.shown!.from - calls[0]!.expected!.from)).toBeLessThan(2)
    expect(Math.abs(calls[0]!.shown!.to - calls[0]!.expected!.to)).toBeLessThan(3)
    expect(calls[0]!.most).toBeGreaterThan(110)
  })
  it('an output that never closes shows no call; one that never opens goes on', () => {
    const never = traced('hot-valve', 'hot-out.dead')
    expect(never.map((c) => c.is)).toEqual(['never'])
    expect(never[0]!.most).toBeLessThan(5)
    // With the line gone for most of that time nobody can say so; before and after it costs nothing.
    expect(traced('hot-valve', 'hot-out.dead', { from: 50, to: 100 }).map((c) => c.is)).toEqual(['unwatched'])
    expect(traced('hot-valve', 'hot-out.dead', { from: 0, to: 52 }).map((c) => c.is)).toEqual(['never'])
    const on = traced('hot-valve', 'hot-out.stuck')
    expect(on.map((c) => c.is)).toEqual(['goes-on'])
    expect(on[0]!.shown!.from).toBeLessThan(1)
  })
})

describe('a trace that grows', () => {
  it('keeps its order and its end, however long it gets', () => {
    const trace = new LiveTrace()
    for (let i = 0; i < 300_000; i++) trace.push(i % 1000 === 7 ? i - 3 : i, i)
    const { seconds, columns } = trace.whole()
    expect(seconds.at(-1)).toBe(299_999)
    expect(columns[0]!.values.at(-1)).toBe(299_999)
    expect(seconds.every((s, i) => i === 0 || s >= seconds[i - 1]!)).toBe(true)
    expect(seconds.length).toBeGreaterThan(100_000)
  })
})
