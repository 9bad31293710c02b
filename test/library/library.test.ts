import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { findShipped, shippedIds } from '../../cli/library'
import { lookThrough, meet } from '../../benchmark/self-check'
import { createEngine, factsOf, repairActsOf } from '../../core/advice'
import { buildCatalogue } from '../../core/diagnosis/catalogue'
import { fits, search } from '../../core/search'
import { orThrow } from '../../core/foundation/result'
import { buildMachine, makeFaultedMachine } from '../../core/model/machine'
import compileSheet from '../../server/engine/compile-sheet'
import { readSheet } from '../../core/model/sheet'
import { runPlain } from '../../core/truth'
import { activeFaultsIn } from '../core/support/sheets'
import { shipped, run, says, lasts } from './support/changed-sheets'

describe('the library as a whole', () => {
  const sheets = shippedIds().map((id) => shipped(id))
  const machines = sheets.filter((s) => !s.assembly)
  it('holds fifteen families with two machines of each, and the sub-assemblies they are made of', () => {
    const families = machines.filter((s) => s.family).map((s) => s.id)
    expect(families).toHaveLength(15)
    const base = (id: string) => /^extends: (.+)$/m.exec(findShipped(id)!.text)?.[1]
    for (const f of families) expect(machines.filter((m) => base(m.id) === f).length, f).toBeGreaterThanOrEqual(2)
    const parts = sheets.filter((s) => s.assembly)
    expect(parts.length).toBeGreaterThanOrEqual(5)
    for (const s of parts) expect(s.faults.length, s.id).toBeGreaterThanOrEqual(6)
  })
  it('every machine says where it is proved dead, between what, and which water is shut before a hose comes off', () => {
    for (const sheet of machines) {
      const { needs } = factsOf(buildCatalogue(buildMachine(sheet)))
      const proof = needs.filter((n) => n.does === 'proves-dead')
      expect(proof, sheet.id).toHaveLength(1)
      expect(proof[0]!.at, sheet.id).toMatch(/^at the /)
      const conductors = new Set(proof[0]!.between!.flat())
      // A battery has no earth: plus and minus are all there is.
      if (sheet.parts.some((p) => p.kind.id === 'ac-supply')) expect(conductors, sheet.id).toContain('earth')
      else expect([...conductors].sort(), sheet.id).toEqual(['minus', 'plus'])
      expect(proof[0]!.between, sheet.id).toHaveLength((conductors.size * (conductors.size - 1)) / 2)
      const done = needs.map((n) => n.does)
      expect(done.indexOf('shuts-water'), sheet.id).toBeGreaterThan(done.indexOf('proves-dead'))
      expect(done, sheet.id).toContain('opens-water')
    }
  })
  it('a repair asks for what its place asks: a tap for nothing, a hose for its water, a part behind a panel to be dead', () => {
    const machine = buildMachine(shipped('orrisk-tl40'))
    const actsOf = (id: string) =>
      repairActsOf(
        machine,
        machine.sheet.repairs.findIndex((r) => r.id === id),
      ).sort()
    const of = (part: string) => machine.sheet.faults.find((f) => f.part === part)!.repair
    expect(actsOf(of('cold-stop'))).toEqual([])
    expect(actsOf(of('cold-hose'))).toEqual(['hose'])
    expect(actsOf(of('board'))).toEqual(['open', 'terminals'])
    expect(actsOf(of('cold-valve'))).toEqual(['hose', 'open', 'terminals'])
  })
  it('every option of every machine can be turned: what is not fitted carries no suspicion, and either way its tests are known', () => {
    const optional = machines.filter((s) => !s.family && s.options.length)
    expect(optional.length).toBeGreaterThan(5)
    for (const { id, options } of optional)
      for (const option of options) {
        const { text, file } = findShipped(id)!
        const turned = orThrow(readSheet(text, file, findShipped, [{ id: option.id, fitted: !option.fitted }]))
        const [own, other] = [machines.find((s) => s.id === id)!, turned]
        const [fitted, without] = option.fitted ? [own, other] : [other, own]
        const gone = fitted.parts.filter((p) => !without.parts.some((q) => q.id === p.id)).map((p) => p.id)
        expect(gone.length, `${id} without ${option.id}`).toBeGreaterThan(0)
        expect(without.faults.filter((f) => gone.some((p) => f.id.startsWith(`${p}.`)))).toEqual([])
      }
    const { text, file } = findShipped('brindlow-s8')!
    const cutoff = orThrow(readSheet(text, file, findShipped, [{ id: 'float-cutoff', fitted: true }]))
    const { hypotheses, catalogue } = createEngine(cutoff).predictor
    expect(hypotheses.some((h) => h.activeFaults.some((x) => x.fault.id.startsWith('cutoff.')))).toBe(true)
    const files = ['brindlow-s8', ...shippedIds()].map((id) => ({ id, ...findShipped(id)! }))
    const known = Object.keys(compileSheet(files).tests)
    expect(catalogue.procedures.filter((p) => !known.includes(p.id)).map((p) => p.id)).toEqual([])
  })
  const example = (name: string) => {
    const file = join(import.meta.dirname, '../../docs/examples', `${name}.yaml`)
    return createEngine(orThrow(readSheet(readFileSync(file, 'utf8'), file, findShipped))).predictor
  }
  it('an example in docs is a whole machine: every fault shows, and its four coils are one body, one sub-assembly each', () => {
    const predictor = example('dog-wash')
    expect(lookThrough(predictor).wrong).toEqual([])
    const { machine } = predictor.catalogue
    expect(says(machine)).toEqual([])
    expect(says(machine, 'soap-valve.coil-open')).toEqual(['no-soap'])
    expect(machine.parts.filter((p) => p.title.startsWith('inlet valve of the')).map((p) => p.title)).toEqual(
      ['warm water', 'shampoo', 'rinse', 'floor jets'].map((it) => `inlet valve of the ${it}`),
    )
  })
  it('the other has no control: every fault of it shows, and its advice ends on the right repair', () => {
    const predictor = example('lobster-tank')
    expect(predictor.catalogue.machine.sheet.control).toBeUndefined()
    expect(lookThrough(predictor).wrong).toEqual([])
    for (const id of ['valve.half-seated', 'make-up.jammed-open', 'hold.contact-burnt']) {
      const { fault } = activeFaultsIn(predictor.catalogue.machine, id)
      expect(meet(predictor, fault, 1)?.solved, id).toBe(true)
    }
  })
  it('one without a control goes by the clock, in both simulators', () => {
    const machine = buildMachine(shipped('field-sprayer'))
    const script = { steps: [{ at: 0, start: 0 }], until: 200, stopsWhenFinal: false, moments: [] }
    const entries = (phases: { time: number; phase: number }[]) =>
      phases.map((p) => [machine.phases[p.phase].id, p.time])
    const plain = runPlain(makeFaultedMachine(machine), script)
    expect(entries(plain.phases)).toEqual([
      ['spray', 0],
      ['ended', 180],
    ])
    expect(lasts(machine, run(machine), 'spray')).toBeCloseTo(180, 6)
  })
  it('is found by maker, model, code, lamps and complaint, misspelt and misread', () => {
    const list = machines.map((s) => ({
      id: s.id,
      words: [
        s.title,
        s.maker ?? '',
        s.model ?? '',
        ...s.searchWords,
        ...s.alarms.flatMap((a) => [a.code, a.lamps ?? '']),
      ],
    }))
    expect(search(list, 'orisk tl4o')[0].id).toBe('orrisk-tl40')
    expect(search(list, 'F2O')[0].id).toBe('orrisk-tl22')
    expect(search(list, 'quenby c 25')[0].id).toBe('quenby-c25')
    expect(
      search(list, '3 beeps')
        .map((x) => x.id)
        .sort(),
    ).toEqual(['electronic-flake-ice', 'quenby-c25', 'quenby-n5'])
    expect(fits(list[0], 'nothing of the kind')).toBe(0)
    expect(search(list, '')).toHaveLength(list.length)
  })
})

describe('licensed work', () => {
  it('is named where advice comes to it', () => {
    const licensed = shipped('quenby-c40').repairs.filter((r) => r.licensed)
    expect(licensed.map((r) => r.id)).toEqual(['call-refrigeration'])
    expect(licensed[0].licensed).toContain('licensed people')
  })
})
