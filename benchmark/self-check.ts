/**
 * `npm run self-check`: whether the sheets of the library hold what a sheet must hold.
 *
 *     npm run self-check -- [SHEET]... [--seeds N] [--faults N] [--skip-play] [--states] [--pool FILE] [--part I/N]
 *
 * SHEET is a path or a shipped id; all shipped sheets when none is named. `--states` lists what each fault is complained of as,
 * and what whoever comes finds of it before anything is moved. `--pool` appends each call to the file as it is played and goes on after
 * a stop where it was; `--part` plays one of several parts of the calls.
 *
 * Every fault is complained of or marked latent, and seen by some test; what no test tells apart is little, and is listed
 * with the test that would be needed; and who follows the advice on a machine that has the fault, run by the plain simulator
 * with values, meters and senses of its own, ends on the right repair.
 */
import { existsSync, readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { fileURLToPath } from 'node:url'
import { findShipped, shippedIds } from '../cli/library'
import { analyseDiagnosability, areDistinguishable, type AmbiguityGroup } from '../core/diagnosis/belief'
import { createEngine } from '../core/advice'
import { InputError, orThrow } from '../core/foundation/result'
import type { Fault } from '../core/model/machine'
import { checkRuns, buildCatalogue } from '../core/diagnosis/catalogue'
import { Predictor, type Prediction } from '../core/diagnosis/predict'
import { readSheet, type Sheet } from '../core/model/sheet'
import { partOf } from './calls'
import { Journal } from './journal'
import { play, policiesFor } from './play'
import { flat, random, DrawnMachine } from '../core/truth'

/** Share of a sheet's prior that look-alikes may hold together. */
export const ALIKE_AT_MOST = 0.1

function loadSheet(name: string): Sheet {
  const source = existsSync(name) ? { file: name, text: readFileSync(name, 'utf8') } : findShipped(name)
  if (!source) throw new Error(`There is no sheet ${name}: a path or one of ${shippedIds().join(', ')}`)
  return orThrow(readSheet(source.text, source.file, findShipped))
}

/** What is wrong with a sheet as far as the engine alone can see; empty when nothing is. */
export function lookThrough(predictor: Predictor): { wrong: string[]; alike: string[]; signatures: number } {
  const { machine } = predictor.catalogue
  const { detectabilities: showings, ambiguityGroups: lookAlikes, signatures } = analyseDiagnosability(predictor)
  const wrong = checkRuns(predictor.catalogue).map((p) => `${p.code} ${p.place.path.join('.')}`)
  machine.sheet.complaints.forEach((c, k) => {
    if (predictor.showsComplaint(predictor.healthy, k)) wrong.push(`a healthy machine is complained of: ${c.id}`)
  })
  for (const { fault, complaints, detectedBy: seenBy } of showings) {
    const { latent } = machine.sheet.faults[fault.index]
    if (!complaints.length && !latent) wrong.push(`${fault.id}: nobody complains of it, and it is not latent`)
    if (!seenBy) wrong.push(`${fault.id}: no test tells it from a healthy machine`)
  }
  for (const id of uncertainWhenHealthy(predictor))
    wrong.push(`${id}: what a healthy machine shows hangs on its tolerances`)
  const share = lookAlikes.reduce((s, l) => s + l.share, 0)
  if (share > ALIKE_AT_MOST) wrong.push(`look-alikes hold ${(100 * share).toFixed(1)} % of the prior`)
  return { wrong, alike: lookAlikes.map((l) => sayAlike(predictor, l)), signatures }
}

/** What a fault leaves behind, and whether its own part shows it. */
export interface FaultState {
  fault: Fault
  /** Ids of the complaints that it brings, at any of its severities. */
  complaints: string[]
  /** What is found of it before anything is moved: tests that differ from a healthy machine's. */
  found: string[]
  /** Whether a test of the very part tells it from a good one. */
  ownTest: boolean
}

/** Every fault as it is complained of, found, and seen at its own part; and the tests that show the same whatever is wrong. */
export function faultStates(predictor: Predictor): { states: FaultState[]; idle: string[] } {
  const { machine, procedures } = predictor.catalogue
  const tells = new Set<string>()
  const healthy = procedures.map((p) => predictor.predictCoarse(predictor.healthy, p))
  const differing = (members: Predictor['hypotheses']) =>
    procedures.filter((p, i) =>
      members.some((m) => areDistinguishable(predictor.predictCoarse(m, p), healthy[i], predictor.calibration.belief)),
    )
  const states = machine.faults.map((fault): FaultState => {
    const members = predictor.hypotheses.filter(
      ({ activeFaults: [x] }) => x?.fault === fault && x.missProbability === undefined,
    )
    const seen = differing(members)
    for (const { id } of seen) tells.add(id)
    return {
      fault,
      complaints: machine.sheet.complaints.flatMap((c, k) =>
        members.some((m) => predictor.showsComplaint(m, k)) ? [c.id] : [],
      ),
      found: seen.filter((p) => p.needs.asFound).map((p) => p.id),
      ownTest: seen.some(({ measurement: m }) => 'part' in m && m.part === fault.part),
    }
  })
  for (const { id } of differing(predictor.unlistedHypotheses)) tells.add(id)
  return { states, idle: procedures.flatMap((p) => (tells.has(p.id) ? [] : [p.id])) }
}

/** Machines drawn within their tolerances for `uncertainWhenHealthy`, and how many of them may show something else than expected. */
const DRAWN = 4
const ELSE_AT_MOST = 1
/** How far each delay of the machine is moved in turn, in standard deviations: what is read then must not hang on it. */
const DELAYED = 2

/** Tests that on a healthy machine show now this, now that, as its tolerances or its timers happen to fall. */
export function uncertainWhenHealthy(predictor: Predictor): string[] {
  const { machine, procedures } = predictor.catalogue
  const { params } = machine
  const kindOf = (p: Prediction) =>
    p.type === 'sense' ? (p.yes > 0.5 ? 'yes' : 'no') : p.type === 'word' ? p.word : p.type
  const usual = procedures.map((p) => kindOf(predictor.predictCoarse(predictor.healthy, p)))
  /** At the moments of the sheet as it is. */
  const differingThen = (values: Float64Array): string[] => {
    const other = new Predictor({ ...predictor.catalogue, machine: { ...machine, values } })
    return procedures.flatMap((p, i) => (kindOf(other.predictCoarse(other.healthy, p)) === usual[i] ? [] : [p.id]))
  }
  const differing = (values: Float64Array): string[] => {
    const drawn = new Predictor(buildCatalogue({ ...machine, values }))
    return procedures.flatMap((p, i) => {
      const same = drawn.catalogue.procedures.find((x) => x.id === p.id)
      return same && kindOf(drawn.predictCoarse(drawn.healthy, same)) === usual[i] ? [] : [p.id]
    })
  }
  const draws = Array.from({ length: DRAWN }, (_, seed) => {
    const next = random(seed + 1)
    return Float64Array.from(params, ({ nominal, sd }) => {
      const value = nominal + flat(next) * sd
      return nominal > 0 ? Math.max(value, nominal * 0.05) : value
    })
  })
  const delays = params.filter((p) => p.dimension === 'time' && p.sd > 0)
  const delayed = delays.flatMap(({ index, sd }) =>
    [-DELAYED, DELAYED].map((far) => machine.values.with(index, machine.values[index] + far * sd)),
  )
  const others = new Map<string, number>()
  for (const id of draws.flatMap(differing)) others.set(id, (others.get(id) ?? 0) + 1)
  const drawn = [...others].filter(([, n]) => n > ELSE_AT_MOST).map(([id]) => id)
  return [...new Set([...drawn, ...delayed.flatMap(differingThen)])]
}

/** Look-alikes, and the test that would be needed to tell them apart: one at a part of theirs that nothing is put to yet. */
function sayAlike({ catalogue }: Predictor, { faults, share }: AmbiguityGroup): string {
  const { parts } = catalogue.machine
  const places = [...new Set(faults.map((f) => parts[f.part].title))]
  const needed =
    places.length > 1 ? `a look or a reading at ${places.slice(1).join(' or ')}` : `a look inside ${places[0]}`
  return `${(100 * share).toFixed(1)} %: ${faults.map((f) => f.id).join(', ')} (needed: ${needed})`
}

export interface Met {
  /** Id of the fault. */
  fault: string
  seed: number
  solved: boolean
  rightFirst: boolean
  tests: number
}

/** Follows the advice on machines that have one fault; faults that nobody would call for are left out. */
export function meet(predictor: Predictor, fault: Fault, seed: number): Met | undefined {
  const next = random(seed * 7907 + fault.index)
  const { severity: range } = fault
  const u = 0.1 + 0.8 * next()
  const severity =
    range &&
    (range.scale === 'log' ? range.from * (range.to / range.from) ** u : range.from + (range.to - range.from) * u)
  const truth = new DrawnMachine(predictor.catalogue, [{ fault, severity }], next, undefined, 0)
  const [complaint] = truth.complaints()
  if (complaint === undefined) return undefined
  const call = { sort: 'single' as const, truth, repairs: [fault.repair], complaint }
  const { solved, rightFirst, tests } = play(predictor, call, policiesFor(predictor)[0])
  return { fault: fault.id, seed, solved, rightFirst, tests }
}

function main(): void {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      seeds: { type: 'string' },
      faults: { type: 'string' },
      'skip-play': { type: 'boolean' },
      states: { type: 'boolean' },
      pool: { type: 'string' },
      part: { type: 'string' },
    },
  })
  const seeds = Number(values.seeds ?? 5)
  const part = partOf(values.part)
  const journal = new Journal<Met | null>(values.pool)
  let bad = 0
  for (const name of positionals.length ? positionals : shippedIds()) {
    const sheet = loadSheet(name)
    if (sheet.assembly) continue
    const predictor = createEngine(sheet).predictor
    const { wrong, alike, signatures } = lookThrough(predictor)
    const { faults } = predictor.catalogue.machine
    console.log(
      `${sheet.id}: ${faults.length} faults, ${signatures} signatures, ${predictor.catalogue.procedures.length} tests`,
    )
    for (const line of wrong) console.log(`  WRONG ${line}`)
    for (const line of alike) console.log(`  alike ${line}`)
    bad += wrong.length
    const { states, idle } = faultStates(predictor)
    if (idle.length) console.log(`  WRONG tells nothing: ${idle.join(', ')}`)
    bad += idle.length
    const unseen = states.filter((s) => !s.ownTest).map((s) => s.fault.id)
    if (unseen.length) console.log(`  not seen at its own part: ${unseen.join(', ')}`)
    if (values.states)
      for (const { fault, complaints, found } of states)
        console.log(
          `  ${fault.id}: ${complaints.join(', ') || 'nobody complains'}; found: ${found.join(', ') || 'nothing'}`,
        )
    if (values['skip-play']) continue
    const met = faults
      .slice(0, Number(values.faults ?? faults.length))
      .flatMap((fault) => Array.from({ length: seeds }, (_, i) => ({ fault, seed: i + 1 })))
      .filter((_, k) => k % part.n === part.i - 1)
      .flatMap(({ fault, seed }) => {
        const key = `${sheet.id} ${fault.id} ${seed}`
        return journal.of(key, () => meet(predictor, fault, seed) ?? null) ?? []
      })
    const lost = met.filter((m) => !m.solved)
    for (const m of lost) console.log(`  LOST ${m.fault}, seed ${m.seed}`)
    const first = met.filter((m) => m.rightFirst).length
    console.log(`  met ${met.length}: right in the end ${met.length - lost.length}, at once ${first}`)
    bad += lost.length
  }
  process.exitCode = bad ? 1 : 0
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  try {
    main()
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    console.error(error.message)
    process.exitCode = 1
  }
