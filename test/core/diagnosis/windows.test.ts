import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice'
import { makeFaultedMachine } from '../../../core/model/machine'
import { simulate } from '../../../core/simulation/simulate'
import { DrawnMachine, random, runPlain } from '../../../core/truth'
import { activeFaultsIn, evidenceOf, predictorOf } from '../support/sheets'
import { underOtherNames, shippedPredictor } from '../support/shipped'

const asked = (id: string, fault: string | undefined, test: string) => {
  const predictor = shippedPredictor(id)
  const { machine, procedures } = predictor.catalogue
  const procedure = procedures.find((p) => p.id === test)!
  const hypothesis = fault ? predictor.hypothesisFor([activeFaultsIn(machine, fault)]) : predictor.healthy
  const p = predictor.predict(hypothesis, procedure)
  return p.type === 'sense' ? p.yes > 0.5 : p.type
}

describe('looks, sounds and feels are watched through a phase', () => {
  it.each([
    ['tarvost-fl5', 'empties', 'standpipe.runs@main-fill', 'standpipe.low'],
    ['brindlow-d6', 'dirty', 'waste.runs@wash', 'waste.low'],
  ])(
    '%s, "%s": water seen at the waste while it should stay names the hanging hose, whatever the names',
    (id, complaint, test, fault) => {
      const [text, of] = underOtherNames(id)
      const predictor = predictorOf(text)
      const a = advise(
        predictor,
        evidenceOf(predictor, { complaint: of(complaint) }, { test: of(test), reading: 'yes' }),
      )
      expect(a.suspects[0].faults.map((f) => f.id)).toEqual([of(fault)])
      expect(a.suspects[0].p).toBeGreaterThan(0.75)
      expect(a.belief.unknownFault).toBeLessThan(0.2)
    },
  )
  it('feels the hot-gas pipe while the compressor runs: cold on a healthy machine, hot behind a leaking valve', () => {
    expect(asked('quenby-c25', undefined, 'gas-valve.warm@chill')).toBe(false)
    expect(asked('quenby-c25', 'gas-valve.leaks', 'gas-valve.warm@chill')).toBe(true)
    // Nothing hot comes before the compressor runs: such a feel clears nobody.
    expect(asked('quenby-c25', 'gas-valve.leaks', 'gas-valve.warm')).toBe(false)
  })
  it('sees the lamp of a bridged input though its phase ends with it', () => {
    expect(asked('brindlow-s12', undefined, 'boiler-high-in.bridged')).toBe(true)
    expect(asked('brindlow-s12', 'boiler-high-in.dead', 'boiler-high-in.bridged')).toBe(false)
    expect(asked('brindlow-s8', 'boiler-high-in.dead', 'boiler-high-in.bridged')).toBe(false)
  })
  it('sees for as long as the plain simulator does', () => {
    for (const [id, fault] of [
      ['tarvost-fl5', 'standpipe.low'],
      ['tarvost-fl5', undefined],
      ['quenby-c25', 'gas-valve.leaks'],
    ] as const) {
      const { runs, machine } = shippedPredictor(id).catalogue
      const { script } = runs.find((r) => !r.interventions.length)!
      const faulted = makeFaultedMachine(machine, fault ? [activeFaultsIn(machine, fault)] : [])
      const [ours, plain] = [simulate(faulted, script).watched, runPlain(faulted, script, 0.1).watched]
      expect(script.watches!.length).toBeGreaterThan(8)
      ours.forEach((watched, k) => {
        const { part, signal } = script.watches![k]
        const title = `${id} ${fault} ${machine.parts[part].id}.${signal}`
        expect(watched?.ever, title).toBe(plain[k]?.ever)
        if (!watched || !plain[k]) return
        // A long phase ends a second or two sooner or later in steps.
        const slack = 1 + 0.01 * watched.seconds
        expect(Math.abs(watched.seconds - plain[k].seconds), title).toBeLessThan(slack)
        expect(Math.abs(watched.on - plain[k].on), title).toBeLessThan(slack)
      })
    }
  })
  it('believes what is plain to see or to handle: a jammed float, a drawn machine is hardly ever mistaken about', () => {
    const predictor = shippedPredictor('quenby-c25')
    const { machine, procedures } = predictor.catalogue
    const free = procedures.find((p) => p.id === 'float.free')!
    const a = advise(predictor, evidenceOf(predictor, { complaint: 'no-ice' }, { test: 'float.free', reading: 'no' }))
    const jammed = a.suspects.filter((s) => s.faults.length === 1 && /^float\.float-/.test(s.faults[0].id))
    expect(jammed.reduce((sum, s) => sum + s.p, 0)).toBeGreaterThan(0.65)
    expect(a.belief.doubts[0].grossError).toBeLessThan(0.2)
    const truth = new DrawnMachine(
      predictor.catalogue,
      [activeFaultsIn(machine, 'float.float-up')],
      random(3),
      undefined,
      0,
    )
    const wrong = Array.from({ length: 400 }).filter(() => truth.read(free).type !== 'no').length
    expect(wrong).toBeLessThan(14)
  })
})
