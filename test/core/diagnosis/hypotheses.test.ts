import { describe, expect, it } from 'vitest'
import { random } from '../../../core/truth'
import { makeFaultedMachine, severityAt, type ActiveFault } from '../../../core/model/machine'
import type { Hypothesis } from '../../../core/diagnosis/hypotheses'
import type { Predictor } from '../../../core/diagnosis/predict'
import { newSimulationCache, simulate } from '../../../core/simulation/simulate'
import { shippedPredictor } from '../support/shipped'

const WASHER = shippedPredictor('tarvost-fl5')
const IRRIGATION = shippedPredictor('ulldale-g6s')

const acting = (p: Predictor, id: string): Hypothesis[] =>
  p.hypotheses.filter(({ activeFaults: [one] }) => one?.fault.id === id && one.missProbability === undefined)
/** Share of a fault's cases in which something holds, by its members. */
const share = (members: Hypothesis[], holds: (m: Hypothesis) => boolean): number =>
  members.filter(holds).reduce((sum, m) => sum + m.priorWeight, 0) / members.reduce((sum, m) => sum + m.priorWeight, 0)

/** A Gaussian from uniform numbers (Box & Muller 1958). */
const gauss = (next: () => number): number => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())

describe('members of a fault', () => {
  it.each([
    ['tarvost-fl5', WASHER],
    ['ulldale-g6s', IRRIGATION],
  ])('%s: share out its rate, whatever was put between, and stay in its range', (_, p) => {
    for (const fault of p.catalogue.machine.faults) {
      const own = p.hypotheses.filter((m) => m.activeFaults[0]?.fault === fault)
      expect(own.reduce((sum, m) => sum + m.priorWeight, 0)).toBeCloseTo(fault.ratePerYear, 9)
      for (const { priorWeight, activeFaults } of own) {
        expect(priorWeight).toBeGreaterThan(0)
        if (!fault.severity) continue
        expect(activeFaults[0].severity).toBeGreaterThan(fault.severity.from)
        expect(activeFaults[0].severity).toBeLessThan(fault.severity.to)
      }
    }
  })

  it('close in on the severity at which the machine takes another course', () => {
    const found = acting(WASHER, 'inlet-screen.blocked')
    const { fault } = found[0].activeFaults[0]
    const stops = WASHER.catalogue.machine.sheet.complaints.findIndex((c) => c.id === 'stops-filling')
    // By a plain scan over the whole range. Two borders, each found within a 24th.
    const scanned = Array.from({ length: 48 }, (_, i) =>
      WASHER.showsComplaint(
        WASHER.hypothesisFor([{ fault, severity: severityAt(fault.severity!, (i + 0.5) / 48) }]),
        stops,
      ),
    )
    const usual = scanned.filter(Boolean).length / scanned.length
    expect(usual).toBeGreaterThan(0.2)
    expect(usual).toBeLessThan(0.8)
    const believed = share(found, (m) => WASHER.showsComplaint(m, stops))
    expect(Math.abs(believed - usual), `${believed} and ${usual}`).toBeLessThan(0.09)
    const severities = found.map((m) => m.activeFaults[0].severity!)
    expect(severities).toEqual([...severities].sort((a, b) => a - b))
  })

  it('a coil that gets about what it needs pulls in for some and not for others, as in machines drawn within their tolerances', () => {
    const { machine, runs, procedures } = IRRIGATION.catalogue
    const all = acting(IRRIGATION, 'common-b.corroded')
    const severity = all.find((m) => m.shifts.length)!.activeFaults[0].severity!
    const node = all.filter((m) => m.activeFaults[0].severity === severity)
    const valves = ['v1', 'v2', 'v3', 'v4'].map((id) => procedures.find((x) => x.id === `${id}.runs`)!)
    const activeFaults: ActiveFault[] = [{ fault: node[0].activeFaults[0].fault, severity }]
    const next = random(5)
    const cache = newSimulationCache()
    const drawn = Array.from({ length: 150 }, () => {
      const values = Float64Array.from(machine.params, ({ nominal, sd }) => nominal + sd * gauss(next))
      const drawnMachine = makeFaultedMachine(machine, activeFaults, [], values)
      const shown = new Map(
        [...new Set(valves.map((x) => x.run))].map((run) => {
          const neededMoments = valves.filter((x) => x.run === run).map((x) => x.moment)
          return [run, simulate(drawnMachine, { ...runs[run].script, watches: [], neededMoments }, cache).snapshots]
        }),
      )
      return valves.map(
        ({ measurement: what, run, moment }) =>
          what.type === 'sense' && shown.get(run)![moment]!.signal(what.part, 'passes') > 0.5,
      )
    })
    valves.forEach((valve, i) => {
      const usual = drawn.filter((d) => d[i]).length / drawn.length
      const believed = share(node, (m) => {
        const shown = IRRIGATION.predict(m, valve)
        return shown.type === 'sense' && shown.truth === true
      })
      expect(usual).toBeGreaterThan(0.02)
      expect(Math.abs(believed - usual), `${valve.id}: ${believed} and ${usual}`).toBeLessThan(0.12)
    })
  })

  it('where every coil gets plenty there is one course', () => {
    for (const id of ['v2.coil-open', 'v2.exhaust-blocked', 'mains.dead'])
      expect(acting(IRRIGATION, id).map((m) => m.shifts)).toEqual([[]])
  })
})
