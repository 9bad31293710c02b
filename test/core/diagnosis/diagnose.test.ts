import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { inferBelief } from '../../../core/diagnosis/belief'
import type { Evidence } from '../../../core/evidence'
import { foldJob, type Payload, type SequencedEvent } from '../../../core/job'
import { advise, createEngine, reasons } from '../../../core/advice'
import { calibrate } from '../../../core/diagnosis/calibration'
import { dimensionOf } from '../../../core/diagnosis/catalogue'
import { describeDoubt, describeVerdict, formatFinding } from '../../../core/words'
import { withShopHistory, type Acceptance, type ShopHistory, type KnownGood } from '../../../core/model/machine'
import type { Predictor } from '../../../core/diagnosis/predict'
import { renameAll } from '../support/rename'
import { sheetOf, edit, evidenceOf, FAMILY, machineOf, mini, predictorOf, activeFaultsIn } from '../support/sheets'

const washer = createEngine(sheetOf(findShipped('orrisk-tl40')!.text)).predictor
const top = (p: Predictor, ...items: object[]) => advise(p, evidenceOf(p, ...items))
const CALL = [{ complaint: 'no-fill' }, { complaint: 'hums' }]

/** The reading that a machine with a fault gives in a test, as evidence. */
function readingOf(p: Predictor, faults: [string, number?][], test: string): Evidence {
  const procedure = p.catalogue.procedures.find((x) => x.id === test)!
  const shown = p.predict(
    p.hypothesisFor(faults.map(([id, s]) => activeFaultsIn(p.catalogue.machine, id, s))),
    procedure,
  )
  const value =
    shown.type === 'value'
      ? { type: 'value' as const, si: shown.mean }
      : shown.type === 'sense'
        ? { type: shown.yes > 0.5 ? ('yes' as const) : ('no' as const) }
        : shown.type === 'times'
          ? { type: 'times' as const, clean: Math.round(10 * shown.clean), of: 10 }
          : shown
  return { type: 'reading', test, value, instrument: undefined }
}

describe('from complaint to cause on the washer', () => {
  it('readings lead to the fault that gave them, in the order the advice asks for', () => {
    const cases: [string, number | undefined, string][] = [
      ['cold-valve.coil-open', undefined, 'no-fill'],
      ['cold-plug.corroded', 4000, 'no-fill'],
      ['cold-stop.shut', undefined, 'no-fill'],
      ['lid.stuck-open', undefined, 'no-fill'],
      ['cold-screen.blocked', 0.001, 'code-lf'],
      ['drain-pump.jammed', undefined, 'no-drain'],
    ]
    for (const [fault, severity, complaint] of cases) {
      const evidence = evidenceOf(washer, { complaint })
      let advice = advise(washer, evidence)
      for (let step = 0; step < 12 && !advice.plan.stop; step++) {
        evidence.push(readingOf(washer, [[fault, severity]], advice.plan.next[0].procedure.id))
        advice = advise(washer, evidence)
      }
      const wanted = washer.catalogue.machine.faults.find((f) => f.id === fault)!.repair
      expect(advice.plan.remedies[0].repair, `${fault}: ${JSON.stringify(advice.suspects.slice(0, 3))}`).toBe(wanted)
    }
  })
  it('two faults that mask each other are found as a pair, not as a product of singles', () => {
    // Low supply with a bad joint: the joint's own reading is masked by the supply and the supply's by the joint.
    const pair: [string, number?][] = [
      ['mains.low', 0.75],
      ['cold-plug.corroded', 3000],
    ]
    const evidence = evidenceOf(washer, { complaint: 'no-fill' })
    for (const test of ['mains.volts', 'board.supply-volts', 'cold-plug.feed-drop', 'cold-valve.volts'])
      evidence.push(readingOf(washer, pair, test))
    const [first, second] = advise(washer, evidence).suspects
    expect(first.faults.map((f) => f.id).sort()).toEqual(['cold-plug.corroded', 'mains.low'])
    expect(first.p).toBeGreaterThan(0.5)
    expect(second.p).toBeLessThan(0.01)
  })
  it('readings that fit nothing raise "something else"', () => {
    const before = top(washer, ...CALL).belief.unknownFault
    const odd = top(
      washer,
      ...CALL,
      { test: 'cold-valve.ohms', reading: '390' },
      { test: 'hot-valve.ohms', reading: '395' },
      { test: 'drain-pump.ohms', reading: '240' },
    )
    expect(before).toBeLessThan(0.1)
    expect(odd.belief.unknownFault).toBeGreaterThan(0.5)
  })
  it('a value written a thousand times too small is doubted and said, and convicts nobody', () => {
    const readings = [
      { test: 'cold-valve.volts', reading: '119' },
      { test: 'cold-valve.ohms', reading: '0.82' },
      { test: 'cold-valve.amps', reading: '0.079' },
    ]
    const a = top(washer, ...CALL, ...readings)
    expect(a.belief.doubts[1]).toMatchObject({ unitSlip: 'thousand-too-small' })
    expect(a.belief.doubts[1].grossError).toBeGreaterThan(0.9)
    expect(describeDoubt(a.belief.doubts[1], { type: 'value', si: 0.82 }, 'resistance', 0.5)).toContain('820 Ω')
    expect(Math.max(a.belief.doubts[0].grossError, a.belief.doubts[2].grossError)).toBeLessThan(0.05)
    const shorted = a.suspects.find((s) => s.faults[0]?.id === 'cold-valve.coil-shorted')
    expect(shorted?.p ?? 0).toBeLessThan(0.02)
  })
  it('says when nothing on the sheet fits, and when no cause is clear enough', () => {
    const odd = top(
      washer,
      { complaint: 'no-drain' },
      { test: 'drain-pump.ohms', reading: '14' },
      { test: 'fill-hot.lasts', reading: 'never' },
      { test: 'hot-valve.hum', reading: 'yes' },
      { test: 'fill-cold.lasts', reading: '9' },
    )
    expect(odd.plan.state).not.toBe('cause-stands')
    expect(odd.plan.remedies[0]?.p ?? 0).toBeLessThan(0.8)
    const sure = top(washer, { complaint: 'no-drain' }, { test: 'drain-pump.ohms', reading: 'OL' })
    expect(sure.plan.state).toBe('cause-stands')
  })
  it('three readings of one coil are not three witnesses', () => {
    const high = (n: number) => {
      const items = [
        { test: 'cold-valve.ohms', reading: '905' },
        { test: 'cold-valve.volts', reading: '120' },
        { test: 'cold-valve.amps', reading: '0.070' },
      ].slice(0, n)
      return top(washer, ...CALL, ...items).suspects.find(
        (s) => s.faults[0]?.part === washer.catalogue.machine.partIndex.get('cold-valve') && s.faults.length === 1,
      )?.p
    }
    expect(Math.abs(high(3)! - high(1)!)).toBeLessThan(0.25)
  })
})

describe('properties of the belief', () => {
  const pool = [
    'cold-valve.ohms',
    'cold-valve.volts',
    'cold-valve.hum',
    'tub.filling',
    'cold-hose.bucket',
    'lid.ohms',
    'control.code',
    'fill-cold.lasts',
    'cold-out.to-return',
  ]
  const faults = washer.catalogue.machine.faults.map((f) => f.id)
  const scenario = fc.record({
    fault: fc.constantFrom(...faults),
    tests: fc.shuffledSubarray(pool, { minLength: 1, maxLength: 6 }),
  })
  it('probabilities sum to one and order does not matter', () => {
    fc.assert(
      fc.property(scenario, ({ fault, tests }) => {
        const base = evidenceOf(washer, { complaint: 'no-fill' })
        const readings = tests.map((t) => readingOf(washer, [[fault]], t))
        const a = advise(washer, [...base, ...readings])
        const sum = a.belief.posterior.reduce((s, x) => s + x, 0) + a.belief.unknownFault + a.belief.truncatedMass
        expect(sum).toBeCloseTo(1, 9)
        const b = advise(washer, [...base, ...readings.toReversed()])
        expect(Array.from(b.belief.posterior)).toEqual(Array.from(a.belief.posterior))
        expect(a.plan.next.every((s) => s.saving > 0 && s.outcomes.length > 1)).toBe(true)
      }),
      { seed: 11, numRuns: 25 },
    )
  })
  it('what was asked before makes no difference: a predictor that has seen much says what a fresh one says', () => {
    const fresh = () => createEngine(sheetOf(findShipped('orrisk-tl40')!.text)).predictor
    const used = fresh()
    const log: object[] = [
      { complaint: 'no-fill' },
      { complaint: 'hums' },
      { test: 'cold-valve.volts', reading: '96' },
      { test: 'cold-hose.bucket', reading: '4' },
      { test: 'cold-valve.buzz', reading: 'yes' },
      { test: 'mains.volts', reading: '103' },
    ]
    for (let n = 2; n <= log.length; n++) top(used, ...log.slice(0, n))
    const [seen, first] = [top(used, ...log), top(fresh(), ...log)]
    expect(seen.belief.hypotheses.length).toBeGreaterThan(used.hypotheses.length)
    expect(seen.suspects).toEqual(first.suspects)
    expect(seen.belief.truncatedMass).toBe(first.belief.truncatedMass)
  })
  it('explanations are true when re-run with the quoted reading', () => {
    const a = top(washer, ...CALL)
    for (const s of a.plan.next.filter((x) => !x.strip).slice(0, 4))
      for (const r of reasons(washer, a.belief, a.interpreted, s)) {
        const then = advise(washer, [
          ...evidenceOf(washer, ...CALL),
          { type: 'reading', test: s.procedure.id, value: r.readings[0], instrument: undefined },
        ])
        const [first] = then.suspects
        const leads =
          then.belief.unknownFault > first.p
            ? 'something else'
            : first.faults.map((f) => f.title).join(' and ') || 'nothing wrong'
        expect(leads, `${s.procedure.id} ${dimensionOf(s.procedure)}`).toBe(r.leads)
        expect(Math.max(then.belief.unknownFault, first.p)).toBeCloseTo(r.p, 9)
      }
  })
  it('a retracted reading leaves no trace, on the page or in a predictor that has seen it', () => {
    const event = (n: number, payload: Payload): SequencedEvent => ({
      id: `e${n}`,
      version: 3,
      at: `2026-03-01T10:00:0${n}.000Z`,
      device: 'd',
      ordinal: n,
      baseSeq: n,
      payload,
      seq: n + 1,
      by: 'Mara E.',
    })
    const log = [
      event(0, { type: 'opened', unit: 'm', complaints: ['no-fill'], words: '' }),
      event(1, { type: 'reading', test: 'cold-valve.volts', text: '119' }),
      event(2, { type: 'action', action: { verb: 'open', target: 'top' } }),
      event(3, { type: 'reading', test: 'cold-valve.ohms', text: 'OL' }),
      event(4, { type: 'reading', test: 'cold-hose.bucket', text: '21' }),
    ]
    const belief = (p: Predictor, events: SequencedEvent[]) => {
      const job = foldJob(events)
      const items = job.log.map((l) =>
        l.type === 'reading' ? { test: l.test, reading: l.text } : { action: `${l.action.verb} ${l.action.target}` },
      )
      return advise(p, evidenceOf(p, ...job.complaints.map((complaint) => ({ complaint })), ...items))
    }
    const fresh = () => createEngine(sheetOf(findShipped('orrisk-tl40')!.text)).predictor
    const used = fresh()
    const before = belief(used, log)
    const back = belief(used, [...log, event(5, { type: 'retracted', event: 'e3' })])
    const never = belief(fresh(), log.toSpliced(3, 1))
    expect(Array.from(before.belief.posterior)).not.toEqual(Array.from(back.belief.posterior))
    const shown = (a: typeof back) => ({
      p: a.belief.posterior,
      other: [a.belief.unknownFault, a.belief.truncatedMass],
      links: a.links,
      verdicts: a.verdicts,
      next: a.plan.next.map((s) => [s.procedure.id, s.minutes, s.saving]),
      remedies: a.plan.remedies,
    })
    expect(shown(back)).toEqual(shown(never))
  })
  it.each([
    ['washer', FAMILY, 'no-fill', 'cold-valve.volts', '119'],
    ['boiler', mini('boiler'), 'no-heat', 'heater.volts', '0'],
    ['irrigation', mini('irrigation'), 'three-dead', 'v3.volts', '26'],
    ['interlocks', mini('interlocks'), 'stands', 'relay.click', 'no'],
  ])('renaming every id changes no number: %s', (_, text, complaint, test, reading) => {
    const { renamed, name } = renameAll(text)
    const a = top(predictorOf(text), { complaint }, { test, reading })
    const b = top(predictorOf(renamed), { complaint: name(complaint) }, { test: name(test), reading })
    expect(renamed).not.toContain(complaint)
    expect(Array.from(b.belief.posterior)).toEqual(Array.from(a.belief.posterior))
    expect(b.plan.next.map((s) => [s.minutes, s.saving])).toEqual(a.plan.next.map((s) => [s.minutes, s.saving]))
    expect(b.plan.remedies).toEqual(a.plan.remedies)
    expect(b.verdicts.map((v) => v.band)).toEqual(a.verdicts.map((v) => v.band))
  })
})

describe('a changed sheet changes what follows from it', () => {
  const value = (text: string, test: string, fault?: string): number | string => {
    const p = predictorOf(text)
    const procedure = p.catalogue.procedures.find((x) => x.id === test)!
    const shown = p.predict(
      fault ? p.hypothesisFor([activeFaultsIn(p.catalogue.machine, fault)]) : p.healthy,
      procedure,
    )
    return shown.type === 'value' ? shown.mean : shown.type
  }
  it('other coil ohms, another call time, a bleed resistor, an added joint', () => {
    expect(value(FAMILY.replaceAll('ohms: 780 Ω ±8 %', 'ohms: 1150 Ω ±8 %'), 'cold-valve.ohms')).toBeCloseTo(1150, 6)
    const later = edit(FAMILY, 'level.level >= 60 mm, to: fill-hot', 'level.level >= 90 mm, to: fill-hot')
    expect((value(later, 'fill-cold.lasts') as number) / (value(FAMILY, 'fill-cold.lasts') as number)).toBeCloseTo(
      1.5,
      1,
    )
    const spliced = edit(
      edit(FAMILY, '  cold-plug: { kind', '  splice: { kind: wire, ohms: 400 Ω }\n  cold-plug: { kind'),
      '[cold-out.out, cold-plug.a1/b1,',
      '[cold-out.out, splice, cold-plug.a1/b1,',
    )
    expect(value(spliced, 'cold-valve.volts') as number).toBeLessThan(value(FAMILY, 'cold-valve.volts') as number)
  })
  it('the lid switch moved to the return turns "live at the coil" round', () => {
    const feed = value(FAMILY, 'cold-out.to-return', 'lid.stuck-open')
    const moved = edit(
      edit(
        edit(
          edit(FAMILY, 'interlock: [fuse.2, lid, cold-out.com]', 'interlock: [fuse.2, cold-out.com]'),
          '[lid.2, hot-out.com]',
          '[fuse.2, hot-out.com]',
        ),
        'valve-return, board.N]',
        'valve-return, lid.1]\n  lid-return: [lid.2, board.N]',
      ),
      '  drain-feed:',
      '  drain-feed:',
    )
    expect(feed as number).toBeLessThan(20)
    expect(value(moved, 'cold-out.to-return', 'lid.stuck-open') as number).toBeGreaterThan(110)
    expect(value(moved, 'cold-valve.volts', 'lid.stuck-open') as number).toBeLessThan(5)
  })
  it('advice follows the wiring: volts behind the output clear a lid switch in the feed, not one in the return', () => {
    const moved = edit(
      edit(
        edit(FAMILY, 'interlock: [fuse.2, lid, cold-out.com]', 'interlock: [fuse.2, cold-out.com]'),
        '[lid.2, hot-out.com]',
        '[fuse.2, hot-out.com]',
      ),
      'valve-return, board.N]',
      'valve-return, lid.1]\n  lid-return: [lid.2, board.N]',
    )
    const lidAfter = (text: string) => {
      const p = predictorOf(text)
      const a = top(p, { complaint: 'no-fill' }, { test: 'cold-out.to-return', reading: '119' })
      const lid = a.links[p.catalogue.machine.partIndex.get('lid')!]
      return { p: lid.p, state: lid.state, first: a.plan.next[0].procedure.id }
    }
    const [feed, back] = [lidAfter(FAMILY), lidAfter(moved)]
    expect(feed.state).toBe('proven')
    expect(back.state).toBe('suspect')
    expect(back.p).toBeGreaterThan(10 * feed.p)
  })
  it('crossed plugs let the cold phase run hot water', () => {
    const crossed = predictorOf(FAMILY)
    const { point } = {
      point: crossed.run(crossed.hypothesisFor([activeFaultsIn(crossed.catalogue.machine, 'crossed-plugs')]), 0)
        .snapshots[0]!,
    }
    expect(point.signal(crossed.catalogue.machine.partIndex.get('hot-valve')!, 'passes')).toBe(1)
    expect(point.signal(crossed.catalogue.machine.partIndex.get('cold-valve')!, 'passes')).toBe(0)
  })
})

describe('three small machines that no line of code knows', () => {
  it('the boiler that drains itself: its dead float test tells nothing until the drain valve is closed at rest', () => {
    const nc = edit(
      edit(mini('boiler'), 'rest: open', 'rest: closed'),
      '  drain: [board.L, drain-out, drain-valve, board.N]\n',
      '',
    )
    const worth = (text: string) => {
      const p = predictorOf(text)
      const a = top(
        p,
        { complaint: 'no-heat' },
        { test: 'settled.lasts', reading: 'never' },
        { test: 'tank.level', reading: '220 mm' },
      )
      return a.plan.next.find((s) => s.procedure.id === 'cutoff.ohms')?.saving ?? 0
    }
    expect(worth(mini('boiler'))).toBe(0)
    expect(worth(nc)).toBeGreaterThan(1)
  })
  it('the irrigation common: voltages walked along it find the broken splice', () => {
    const p = predictorOf(mini('irrigation'))
    const a = top(
      p,
      { complaint: 'two-three-dead' },
      { test: 'v2.volts', reading: '0' },
      { test: 'common-b.across', reading: '26.6' },
    )
    expect(a.suspects[0].faults.map((f) => f.id)).toEqual(['common-b.broken'])
    expect(a.suspects[0].p).toBeGreaterThan(0.85)
  })
  it('the interlock chain: one jumper after another names the open switch', () => {
    const p = predictorOf(mini('interlocks'))
    const a = top(
      p,
      { complaint: 'stands' },
      { test: 'jump-bin', reading: 'no' },
      { test: 'jump-water', reading: 'yes' },
      { test: 'relay.click', reading: 'no' },
    )
    expect(a.suspects[0].faults.map((f) => f.id)).toEqual(['water-switch.stuck-open'])
    expect(a.plan.next.every((s) => s.procedure.id !== 'jump-water')).toBe(true)
  })
})

describe('standing and cautions', () => {
  it('minutes follow the shortest path from what is open and done already', () => {
    const minutes = (...items: object[]) =>
      top(washer, { complaint: 'no-fill' }, ...items).plan.next.find(
        (s) => !s.strip && s.procedure.id === 'cold-valve.ohms',
      )?.minutes
    const fresh = minutes()!
    // Isolating 1.6 min (four steps), the top panel 5 min, the reading 2 min.
    expect(fresh).toBeCloseTo(8.6, 6)
    expect(minutes({ action: 'isolate' }, { action: 'open top' })).toBeCloseTo(2, 6)
  })
  it('a jumper in shows as bypassed and changes what is expected', () => {
    const p = predictorOf(mini('interlocks'))
    const a = top(
      p,
      { complaint: 'stands' },
      { action: 'jumper bin' },
      { test: 'relay.click', reading: 'yes' },
      { test: 'drive.runs', reading: 'yes' },
    )
    expect(a.links[p.catalogue.machine.partIndex.get('bin')!].state).toBe('bypassed')
    expect(a.suspects[0].faults.map((f) => f.id)).toEqual(['bin.stuck-open'])
  })
  it('the quick answer and the settled one agree on the singles when nothing is odd', () => {
    const c = top(washer, ...CALL).interpreted.case
    const [quick, settled] = [inferBelief(washer, c, 0), inferBelief(washer, c)]
    const singles = quick.hypotheses.length
    for (let i = 1; i < singles; i++)
      expect(settled.posterior[i] / settled.posterior[0]).toBeCloseTo(quick.posterior[i] / quick.posterior[0], 9)
  })
})

describe('faults that come and go, and faults that bring others', () => {
  const lidIndex = washer.catalogue.machine.partIndex.get('lid')!
  const lid = (...items: object[]) =>
    (({ p, restingProbability: rests }) => p + rests)(top(washer, { complaint: 'no-fill' }, ...items).links[lidIndex])
  it('a switch that passes once may still miss; n clean of n leave what the binomial leaves', () => {
    const once = { test: 'lid.ohms', reading: '0.1' }
    const clean = (n: number) => lid(once, { test: 'lid.worked', reading: `${n}/${n}` })
    expect(lid(once)).toBeGreaterThan(clean(10))
    expect(clean(10)).toBeGreaterThan(clean(60))
    expect(lid(once, { test: 'lid.worked', reading: '6/10' })).toBeGreaterThan(0.8)
    // Resting members with misses of 5, 20 and 50 %: their odds fall by ((1 − m)·0.996)ⁿ each.
    const rested = (n: number) => [0.05, 0.2, 0.5].reduce((s, m) => s + (1 - m) ** n, 0)
    const odds = (p: number) => p / (1 - p)
    expect(odds(clean(40)) / odds(clean(10))).toBeCloseTo(rested(40) / rested(10), 1)
  })
  it('a verdict on a count says what it leaves open: 26 of 100 after ten', () => {
    const a = top(washer, { complaint: 'no-fill' }, { test: 'lid.worked', reading: '10 of 10' })
    expect(describeVerdict(a.verdicts[0], undefined, { type: 'times', clean: 10, of: 10 })).toContain('26 of 100')
  })
  it('a jammed plunger that burns its coil ties the two faults together', () => {
    const untied = edit(FAMILY, ', causes: { cold-valve.coil-open: 20 % }', '')
    const both = (text: string) => {
      const p = predictorOf(text)
      const a = top(p, { complaint: 'no-fill' }, { test: 'cold-valve.ohms', reading: 'OL' })
      return (
        a.suspects.find((s) => s.faults.map((f) => f.id).join() === 'cold-valve.coil-open,cold-valve.plunger-stuck')
          ?.p ?? 0
      )
    }
    expect(both(FAMILY)).toBeGreaterThan(5 * both(untied))
    expect(both(FAMILY)).toBeGreaterThan(0.05)
    const a = top(washer, { complaint: 'no-fill' }, { test: 'cold-valve.ohms', reading: 'OL' })
    const valve = a.plan.remedies[0]
    expect(valve.rootCauses.map((f) => washer.catalogue.machine.faults[f].id)).toContain('cold-valve.plunger-stuck')
  })
})

describe('what makes a coil good', () => {
  const machine = findShipped('orrisk-tl40')!.text
  const verdicts = (bands: Acceptance, knownGood: KnownGood, ...ohms: [string, string][]) => {
    const p = createEngine(sheetOf(machine), { acceptance: bands, knownGood }).predictor
    const a = top(p, { complaint: 'no-fill' }, ...ohms.map(([test, reading]) => ({ test: `${test}.ohms`, reading })))
    const coil = p.catalogue.machine.partIndex.get('cold-valve')!
    return {
      says: a.verdicts.map((v) => formatFinding(v.finding)),
      p: a.links[coil].p,
      unexplained: a.belief.unknownFault,
      a,
    }
  }
  const both: [string, string][] = [
    ['cold-valve', '1020'],
    ['hot-valve', '1030'],
  ]
  it('two alike outside the published band: wrong by the book, right beside each other, right for who asks no more', () => {
    expect(verdicts('published', {}, ...both).says).toEqual(['too high', 'too high'])
    expect(verdicts('sibling', {}, ...both).unexplained).toBeLessThan(0.1)
    expect(verdicts('not-open-or-short', {}, ...both).says[0]).toBe('as it should be')
    expect(verdicts('kind-band', {}, ...both).says).toEqual(['as it should be', 'as it should be'])
    expect(verdicts('kind-band', {}, ['cold-valve', '2400'], ['hot-valve', '90']).says).toEqual(['too high', 'too low'])
    expect(verdicts('published', {}, ...both).unexplained).toBeGreaterThan(verdicts('sibling', {}, ...both).unexplained)
  })
  it('two unlike within the published band: only who compares siblings sees it', () => {
    const unlike: [string, string][] = [
      ['cold-valve', '770'],
      ['hot-valve', '870'],
    ]
    const odd = (bands: Acceptance) => verdicts(bands, {}, ...unlike).unexplained
    expect(odd('sibling')).toBeGreaterThan(3 * odd('published'))
  })
  it('good parts measured before move and narrow the band', () => {
    const band = (knownGood: KnownGood) => verdicts('published', knownGood, ['cold-valve', '800']).a.verdicts[0].band!
    const [book, shop] = [band({}), band({ 'cold-valve.ohms': [902, 895, 905, 899, 901, 898, 903, 900] })]
    expect((shop.low + shop.high) / 2).toBeCloseTo((2 * 820 + 8 * 900.375) / 10, 0)
    expect(book.low).toBeLessThan(800)
  })
})

describe('constants of the model', () => {
  const sheet = sheetOf(findShipped('orrisk-tl40')!.text)
  const coil = (calibration?: Parameters<typeof calibrate>[0]) => {
    const { predictor } = createEngine(sheet, calibration && { calibration: calibrate(calibration) })
    const a = top(predictor, { complaint: 'no-fill' }, { test: 'cold-valve.ohms', reading: 'OL' })
    return { p: a.links[predictor.catalogue.machine.partIndex.get('cold-valve')!].p, unknown: a.belief.unknownFault }
  }
  it('are handed in: who trusts meters less is moved less, who expects the unknown sees more of it, the next engine neither', () => {
    const before = coil()
    expect(coil({ belief: { grossError: 0.4 } }).p).toBeLessThan(before.p - 0.02)
    expect(coil({ belief: { unknownFault: 0.3 } }).unknown).toBeGreaterThan(2 * before.unknown)
    expect(coil()).toEqual(before)
  })
})

describe('condemning', () => {
  it('a board is convicted by elimination: what is not proven absent is listed, and the list empties', () => {
    const board = (...items: object[]) => {
      const a = top(washer, { complaint: 'no-fill' }, ...items)
      const { faults, sheet } = washer.catalogue.machine
      const r = a.plan.remedies.find((x) => sheet.repairs[x.repair].id === 'new-board')
      return r?.unproven.map((f) => faults[f].id) ?? []
    }
    const symptom = board()
    expect(symptom).toEqual(expect.arrayContaining(['cold-stop.shut', 'lid.stuck-open', 'cold-valve.coil-open']))
    const proven = board(
      { test: 'cold-out.to-return', reading: '0.4' },
      { test: 'lid.to-return', reading: '119' },
      { test: 'cold-valve.ohms', reading: '818' },
    )
    expect(proven.length).toBeLessThan(symptom.length / 3)
    expect(proven).not.toContain('lid.stuck-open')
  })
})

describe('what a shop has found', () => {
  it('moves a rate as a gamma prior is moved by counts, and the advice with it', () => {
    const base = machineOf(FAMILY)
    const seen = withShopHistory(base, { machineYears: 100, cases: { 'fuse.blown': 9, 'lid.stuck-open': 0 } })
    const rate = (m: typeof base, id: string) => m.faults.find((f) => f.id === id)!.ratePerYear
    expect(rate(seen, 'fuse.blown')).toBeCloseTo((rate(base, 'fuse.blown') * 100 + 9) / 200, 12)
    expect(rate(seen, 'lid.stuck-open')).toBeCloseTo(rate(base, 'lid.stuck-open') / 2, 12)
    const p = (history?: ShopHistory) => {
      const predictor = createEngine(sheetOf(FAMILY), { shopHistory: history }).predictor
      const a = advise(predictor, evidenceOf(predictor, { complaint: 'dead' }))
      return a.suspects.find((s) => s.faults.some((f) => f.id === 'fuse.blown'))!.p
    }
    expect(p({ machineYears: 100, cases: { 'fuse.blown': 9 } })).toBeGreaterThan(2 * p())
  })
})
