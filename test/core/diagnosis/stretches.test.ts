import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { advise } from '../../../core/advice'
import { varianceOf } from '../../../core/diagnosis/predict'
import { makeFaultedMachine } from '../../../core/model/machine'
import { readSheet } from '../../../core/model/sheet'
import { programSteps, simulate } from '../../../core/simulation/simulate'
import { DrawnMachine, random, runPlain } from '../../../core/truth'
import { activeFaultsIn, edit, evidenceOf, FAMILY, mini, predictorOf } from '../support/sheets'
import { flatText, underOtherNames, shippedPredictor } from '../support/shipped'

const procedureOf = ({ catalogue }: ReturnType<typeof predictorOf>, id: string) =>
  catalogue.procedures.find((p) => p.id === id)!

describe('what a sheet has watched through a stretch', () => {
  it.each([
    ['brindlow-d6', 'dirty', 'waste.low', '4.5 s', '30 s'],
    ['orrisk-tl40', 'empties', 'standpipe.low', '9 s', '55 s'],
  ])(
    '%s, "%s": how long water leaves in the drain tells what had left before, whatever the names',
    (id, complaint, hose, short, whole) => {
      const [text, of] = underOtherNames(id)
      const predictor = predictorOf(text)
      const share = (...readings: object[]) =>
        advise(predictor, evidenceOf(predictor, { complaint: of(complaint) }, ...readings), 'best', 0)
          .suspects.filter((s) => s.faults.some((f) => f.id === of(hose)))
          .reduce((sum, s) => sum + s.p, 0)
      const [before, soon, late] = [
        share(),
        ...[short, whole].map((reading) => share({ test: of('drains-for'), reading })),
      ]
      expect(soon).toBeGreaterThan(before)
      expect(late).toBeLessThan(before / 2)
    },
  )
  it('a hum that stops on the way is no hum all the while: the tray has filled since the power came', () => {
    const [text, of] = underOtherNames('tarvost-fl5')
    const predictor = predictorOf(text)
    const { machine } = predictor.catalogue
    const says = (fault?: string) => {
      const active = fault === undefined ? [] : [activeFaultsIn(machine, of(fault))]
      const p = predictor.predict(predictor.hypothesisFor(active), procedureOf(predictor, of('head-holds')))
      const shown = new DrawnMachine(predictor.catalogue, active, random(2), 'none', 0)
      return [p.type === 'sense' && p.truth, shown.exact(procedureOf(predictor, of('head-holds'))).type]
    }
    expect(says()).toEqual([true, 'yes'])
    expect(says('boot.weeps')).toEqual([false, 'no'])
    expect(says('pump-seal.weeps')).toEqual([false, 'no'])

    // Watched to the end of the program it is not the plug pulled there that stops it.
    const long = predictorOf(flatText('tarvost-fl5').replace('watch: 2 min', 'watch: 5 h'))
    const p = long.predict(long.healthy, procedureOf(long, 'head-holds'))
    expect(p.type === 'sense' && p.truth).toBe(true)
  })
  it.each([
    ['orrisk-tl40', 'drains-for', undefined],
    ['ulldale-f6', 'runs-on', undefined],
    ['orrisk-tl40', 'drains-for', 'standpipe.low'],
  ])('%s, %s, %s: machines within their tolerances are within what is expected', (id, test, fault) => {
    const predictor = shippedPredictor(id)
    const { catalogue } = predictor
    const active = fault === undefined ? [] : [activeFaultsIn(catalogue.machine, fault)]
    const procedure = procedureOf(predictor, test)
    const p = predictor.predict(predictor.hypothesisFor(active), procedure)
    if (p.type !== 'value') throw new Error(p.type)
    const sd = Math.sqrt(varianceOf(p))
    const next = random(11)
    const off = Array.from({ length: 12 }, () => {
      const shown = new DrawnMachine(catalogue, active, next, undefined, 0).read(procedure)
      return shown.type === 'value' ? Math.abs(shown.si - p.mean) / sd : Infinity
    }).sort((a, b) => a - b)
    // Values are drawn flat: hardly one beyond two and a half, and not all in the middle of a band that is far too wide.
    expect(off[10]).toBeLessThan(2.5)
    expect(off[9]).toBeGreaterThan(0.4)
  })
  it('what is timed turns at the same instants in the plain simulator', () => {
    for (const [id, program, fault] of [
      ['ulldale-f6', 'stop', undefined],
      ['ulldale-f6', 'stop', 'stops-at-once'],
      ['tarvost-fl5', 'cotton', 'boot.weeps'],
      ['brindlow-d6', 'normal', 'waste.low'],
    ] as const) {
      const { machine, runs } = shippedPredictor(id).catalogue
      const index = machine.programs.findIndex((p) => p.id === program)
      const { script } = runs.find((r) => r.program === index && !r.interventions.length)!
      const watches = script.watches!.filter((w) => w.timed)
      expect(watches.length).toBeGreaterThan(0)
      const faulted = makeFaultedMachine(machine, fault ? [activeFaultsIn(machine, fault)] : [])
      const asked = { ...script, watches, steps: [...programSteps(machine, index, 1), script.steps.at(-1)!] }
      const [ours, plain] = [simulate(faulted, asked).watched, runPlain(faulted, asked, 0.1).watched]
      ours.forEach((watched, k) => {
        const title = `${id} ${fault} ${machine.parts[watches[k].part].id}.${watches[k].signal}`
        expect([watched?.ever, watched?.last], title).toEqual([plain[k]?.ever, plain[k]?.last])
        expect(Math.abs((watched?.on ?? 0) - (plain[k]?.on ?? 0)), title).toBeLessThan(1 + 0.01 * (watched?.on ?? 0))
      })
    }
  })
  it('a stretch that cannot be watched is refused where it is written', () => {
    const wrong = (text: string) => {
      const r = readSheet(text, 'wrong.yaml', findShipped)
      return r.ok ? [] : r.problems.map((p) => [p.code, p.place.path?.at(-1)])
    }
    const atMoment = (change: string) => wrong(edit(mini('interlocks'), 'jumper: bin,', `jumper: bin, ${change},`))
    expect(atMoment('asks: always, watch: 1 min')).toEqual([])
    expect(atMoment('asks: always')).toEqual([['out-of-range', 'asks']])
    expect(atMoment('asks: how long, watch: 0 s')).toEqual([['out-of-range', 'watch']])
    expect(wrong(edit(FAMILY, 'moment: drain, asks', 'moment: drain, watch: 1 min, asks'))).toEqual([
      ['out-of-range', 'watch'],
    ])
  })
})
