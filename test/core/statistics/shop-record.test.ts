import { describe, expect, it } from 'vitest'
import { createEngine } from '../../../core/advice'
import { buildMachine } from '../../../core/model/machine'
import { experienceFrom, type ClosedJob } from '../../../core/statistics'
import { sheetOf } from '../support/sheets'
import { underOtherNames } from '../support/shipped'

/** A part with one winding, a repair that leaves it in, and a fault of it with the repair that renews it. */
const CASES = [
  ['orrisk-tl40', 'cold-valve', 'new-lid-switch', 'new-valve', 'no-fill'],
  ['brindlow-d6', 'fill-valve', 'new-door-switch', 'new-valve', 'hums-dry'],
] as const

describe.each(CASES)('what %s’s closed jobs teach of %s', (id, valve, otherRepair, ownRepair, complaint) => {
  const [text, of] = underOtherNames(id)
  const names = of(valve) === valve ? 'as it is called' : 'under random names'
  const sheet = sheetOf(text)
  const machine = buildMachine(sheet)
  const test = `${of(valve)}.ohms`
  const param = machine.params.find((p) => p.id === `${of(valve)}.ohms`)!
  const job = (repair: string, ...ohms: number[]): ClosedJob => ({
    repair: of(repair),
    inVain: [],
    readings: ohms.map((si) => ({ test, si })),
  })
  const engine = (jobs: ClosedJob[], machineYears = 20) =>
    createEngine(sheet, experienceFrom(machine, { machineYears, jobs }))
  const judged = (jobs: ClosedJob[], si: number) => {
    const own = engine(jobs)
    const advice = own.advise(
      [
        { type: 'complaint', complaint: of(complaint) },
        { type: 'reading', test, value: { type: 'value', si }, instrument: undefined },
      ],
      'best',
      0,
    )
    return advice.verdicts[0].finding
  }

  it(`a winding off the printed band that went on working is good from then on, ${names}`, () => {
    const off = param.nominal * 1.3
    expect(judged([], off)).toBe('high')
    expect(judged(Array(8).fill(job(otherRepair, off * 0.99, off)) as ClosedJob[], off)).toBe('good')
    // Read, then renewed; renewed in vain; a slip of the hand; a name of another revision: none of them is known good.
    const vain = { ...job(otherRepair, off), inVain: [of(ownRepair)] }
    const unknown = { ...job(otherRepair), readings: [{ test: 'gone.ohms', si: off }] }
    for (const bad of [job(ownRepair, off), vain, job(otherRepair, param.nominal / 1000), unknown]) {
      expect(experienceFrom(machine, { machineYears: 1, jobs: Array(8).fill(bad) as ClosedJob[] }).knownGood).toEqual(
        {},
      )
    }
  })
  it(`what closed the jobs moves the rates, shared out as the sheet does, ${names}`, () => {
    const cured = machine.faults.filter((f) => machine.sheet.repairs[f.repair].id === of(otherRepair))
    const { shopHistory } = experienceFrom(machine, {
      machineYears: 20,
      jobs: Array(6).fill(job(otherRepair)) as ClosedJob[],
    })
    expect(Object.values(shopHistory.cases).reduce((a, b) => a + b)).toBeCloseTo(6, 9)
    for (const f of cured)
      expect(shopHistory.cases[f.id] / shopHistory.cases[cured[0].id]).toBeCloseTo(
        f.ratePerYear / cured[0].ratePerYear,
        9,
      )
    const odds = (jobs: ClosedJob[]) => {
      const own = engine(jobs)
      const { suspects } = own.advise([{ type: 'complaint', complaint: of(complaint) }], 'best', 0)
      const mine = new Set(cured.map((f) => f.id))
      const p = suspects.filter((s) => s.faults.some((f) => mine.has(f.id))).reduce((sum, s) => sum + s.p, 0)
      return p / (1 - p)
    }
    expect(odds(Array(6).fill(job(otherRepair)) as ClosedJob[])).toBeGreaterThan(1.5 * odds([]))
  })
})
