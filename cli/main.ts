import { existsSync, readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { LineCounter, parse, parseDocument } from 'yaml'
import { z } from 'zod'
import { writeNetlist } from '../core/physics/circuit'
import { readEvidence, type Evidence } from '../core/evidence'
import {
  advise,
  createPredictor,
  sayBeside,
  sayDoubt,
  sayHow,
  sayReading,
  sayTest,
  sayVerdict,
  dimensionOf,
  reasons,
  vocabularyOf,
} from '../core/advice'
import { problem } from '../core/foundation/issues'
import { InputError, orThrow } from '../core/foundation/result'
import { describeProblem, formatChance, formatWorkMode } from '../core/words'
import {
  ACCEPTANCES,
  buildMachine,
  makeFaultedMachine,
  type Acceptance,
  type ShopHistory,
  type Machine,
  type ActiveFault,
} from '../core/model/machine'
import { findKind, KINDS } from '../core/model/kinds'
import { TEST_STRATEGIES, type TestStrategy, type PlanState } from '../core/diagnosis/plan'
import { varianceOf, type Prediction, type Predictor } from '../core/diagnosis/predict'
import { checkRuns, buildCatalogue, parseProbe } from '../core/diagnosis/catalogue'
import { parseQuantity, formatQuantity } from '../core/foundation/quantity'
import { locateProblems, readSheet, flattenSheet, type Sheet } from '../core/model/sheet'
import { simulate, type Timeline } from '../core/simulation/simulate'
import { describeKind, describeKinds } from './describe-kinds'
import { findShipped, shippedIds } from './library'

const USAGE = `duckweed check SHEET...
duckweed kinds [KIND]
duckweed whole SHEET
duckweed simulate SHEET [--fault ID[=severity]]... [--program ID] [--set PARAM=VALUE]... [--for 40min] [--json]
duckweed tests SHEET [--json]
duckweed predict SHEET --test ID | --probe "POINT to POINT [at MOMENT]" [--instrument ID] [--fault ID[=severity]]... [--json]
duckweed diagnose SHEET --evidence FILE [--bands ${ACCEPTANCES.join('|')}] [--known-good PARAM=VALUE]... [--history FILE] [--order ${TEST_STRATEGIES.join('|')}] [--json]
duckweed netlist SHEET [--fault ID[=severity]]... [--at PHASE] [--dc]

SHEET is a path or one of: ${shippedIds().join(', ')}`

const fail = (code: Parameters<typeof problem>[0], path: string[], found: string, expected: string): never => {
  throw new InputError([problem(code, path, { found, expected })])
}

function sourceOf(name: string | undefined): { file: string; text: string } {
  if (name === undefined) return fail('missing', ['SHEET'], 'nothing', `a path or one of ${shippedIds().join(', ')}`)
  const source = existsSync(name) ? { file: name, text: readFileSync(name, 'utf8') } : findShipped(name)
  return source ?? fail('unknown-sheet', ['SHEET'], name, `a path or one of ${shippedIds().join(', ')}`)
}
function loadSheet(name: string | undefined): Sheet {
  const { text, file } = sourceOf(name)
  return orThrow(readSheet(text, file, findShipped))
}

function activeFaultsOf(machine: Machine, texts: readonly string[]): ActiveFault[] {
  return texts.map((text) => {
    const [id, severityText] = text.split('=')
    const fault = machine.faults.find((f) => f.id === id)
    if (!fault) return fail('unknown-fault', ['--fault'], id, `one of ${machine.faults.map((f) => f.id).join(', ')}`)
    if (!fault.severity) return { fault, severity: undefined }
    const by = fault.effects.find((e) => e.type === 'param' && e.value === 'severity')
    const dimension = by?.type === 'param' && by.op !== 'times' ? machine.params[by.param].dimension : 'ratio'
    const { from, to, scale } = fault.severity
    if (severityText === undefined) return { fault, severity: scale === 'log' ? Math.sqrt(from * to) : (from + to) / 2 }
    const bare = Number(severityText)
    const severity = Number.isFinite(bare)
      ? bare
      : orThrow(parseQuantity(severityText, dimension, ['--fault', id])).value
    if (!(severity > 0)) fail('out-of-range', ['--fault', id], severityText, `above 0; usual are ${from} to ${to} (SI)`)
    return { fault, severity }
  })
}

function withSettings(machine: Machine, settings: readonly string[]): Float64Array {
  const values = machine.values.slice()
  for (const s of settings) {
    const [id, text] = [s.slice(0, s.indexOf('=')), s.slice(s.indexOf('=') + 1)]
    const param = machine.params.find((p) => p.id === id)
    if (!param) return fail('unknown-param', ['--set'], id || s, 'PART.PARAM=VALUE or ambient=VALUE')
    const { value } = orThrow(parseQuantity(text, param.dimension, ['--set', id]))
    const [part, name] = [id.slice(0, id.lastIndexOf('.')), id.slice(id.lastIndexOf('.') + 1)]
    const spec = machine.sheet.parts.find((p) => p.id === part)?.kind.params[name]
    if (value < (spec?.min ?? -Infinity) || value > (spec?.max ?? Infinity))
      fail('out-of-range', ['--set', id], text, `${spec?.min ?? 'anything'} to ${spec?.max ?? 'anything'} (SI)`)
    values[param.index] = value
  }
  return values
}

const historyShape = z.strictObject({
  machineYears: z.number().nonnegative(),
  cases: z.record(z.string(), z.number().int().nonnegative()),
})
function historyOf(machine: Machine, file: string): ShopHistory {
  if (!existsSync(file)) return fail('missing', ['--history'], file, 'a JSON or YAML file')
  const read = historyShape.safeParse(parse(readFileSync(file, 'utf8')))
  if (!read.success) return fail('wrong-shape', ['--history'], file, 'machineYears: NUMBER, cases: { FAULT: COUNT, … }')
  for (const id of Object.keys(read.data.cases))
    if (!machine.faults.some((f) => f.id === id))
      fail('unknown-fault', ['--history', 'cases'], id, 'a fault of the sheet')
  return read.data
}

function knownGoodOf(machine: Machine, settings: readonly string[]): Record<string, number[]> {
  const out: Record<string, number[]> = {}
  for (const s of settings) {
    const id = s.slice(0, s.indexOf('='))
    const param = machine.params.find((p) => p.id === id)
    if (!param) return fail('unknown-param', ['--known-good'], id || s, 'PART.PARAM=VALUE')
    ;(out[id] ??= []).push(orThrow(parseQuantity(s.slice(id.length + 1), param.dimension, ['--known-good', id])).value)
  }
  return out
}

interface Options {
  fault?: string[]
  set?: string[]
  program?: string
  for?: string
  test?: string
  probe?: string
  instrument?: string
  evidence?: string
  order?: string
  bands?: string
  'known-good'?: string[]
  history?: string
  at?: string
  json?: boolean
  dc?: boolean
}

function sayEvent(machine: Machine, e: Timeline['events'][number]): string | undefined {
  switch (e.type) {
    case 'phase':
      return e.phase < 0 ? 'control loses its supply' : `phase ${machine.phases[e.phase].id}`
    case 'alarm':
      return `alarm ${e.code}`
    case 'chatters':
      return `chatters: ${e.modes.map((m) => machine.parts[machine.modeOwner[m]].id).join(', ')}`
    case 'mode': {
      const part = machine.parts[machine.modeOwner[e.mode]]
      const spec = machine.kinds[part.index].modes!.find((m) => part.mode[m.name] === e.mode)!
      return `${part.id} ${spec.name} ${spec.values[e.value]}`
    }
  }
}

const SAY_STATE: Record<PlanState, string> = {
  testing: 'Next tests',
  'cause-stands': 'The cause stands: no test is worth its minutes any more. Repair:',
  'quicker-done':
    'Quicker done than tested, at next to no cost. Watch a whole cycle; if it still fails, go on. Repair:',
  unexplained: 'The readings fit nothing on the sheet. Take the doubtful ones again. Nearest repairs:',
  undecided: 'No cause is clear enough, and no test is worth its minutes. Nearest repairs:',
}

const commands: Record<string, (sheets: string[], o: Options) => unknown> = {
  check(sheets) {
    const problems = sheets.flatMap((name) => {
      try {
        const { text, file } = sourceOf(name)
        const found = checkRuns(buildCatalogue(buildMachine(loadSheet(name))))
        return locateProblems(text, file, findShipped, found)
      } catch (error) {
        if (error instanceof InputError) return error.problems
        throw error
      }
    })
    if (!sheets.length) fail('missing', ['SHEET'], 'nothing', 'at least one sheet')
    if (problems.length) throw new InputError(problems)
    console.log(`${sheets.length} ${sheets.length === 1 ? 'sheet is' : 'sheets are'} right.`)
    return undefined
  },

  kinds([name]) {
    const kind = name === undefined ? undefined : findKind(name)
    if (name !== undefined && !kind) fail('unknown-kind', ['KIND'], name, KINDS.map((k) => k.id).join(', '))
    console.log(kind ? describeKind(kind) : describeKinds())
    return undefined
  },

  whole([name]) {
    const { text, file } = sourceOf(name)
    loadSheet(name)
    process.stdout.write(orThrow(flattenSheet(text, file, findShipped)))
    return undefined
  },

  simulate([name], o) {
    const machine = buildMachine(loadSheet(name))
    const program = o.program === undefined ? 0 : machine.sheet.programs.findIndex((p) => p.id === o.program)
    if (program < 0)
      fail('unknown-program', ['--program'], o.program!, machine.sheet.programs.map((p) => p.id).join(', '))
    const until =
      o.for === undefined ? machine.programs[program].duration : orThrow(parseQuantity(o.for, 'time', ['--for'])).value
    const faulted = makeFaultedMachine(
      machine,
      activeFaultsOf(machine, o.fault ?? []),
      [],
      withSettings(machine, o.set ?? []),
    )
    const run = simulate(faulted, { steps: [{ at: 0, start: program }], until, stopsWhenFinal: true, moments: [] })
    const complaints = machine.sheet.complaints.filter((_, i) => run.complaints[i]).map((c) => c.id)
    const vessels = machine.parts.flatMap((p) =>
      Object.entries(machine.kinds[p.index].signals ?? {})
        .filter(([, s]) => s.dimension === 'volume' || s.dimension === 'length')
        .map(([signal, s]) => ({
          signal: `${p.id}.${signal}`,
          value: s.read(run.end.faulted.parts[p.index], run.end),
          dimension: s.dimension!,
        })),
    )
    if (o.json)
      return {
        end: run.end.time,
        events: run.events.map((e) => ({ t: e.time, says: sayEvent(machine, e) })),
        alarms: run.alarms,
        complaints,
        signals: Object.fromEntries(vessels.map((v) => [v.signal, v.value])),
      }
    for (const e of run.events) console.log(`${e.time.toFixed(2).padStart(10)} s  ${sayEvent(machine, e)}`)
    console.log(`${run.end.time.toFixed(2).padStart(10)} s  end`)
    for (const v of vessels) console.log(`${v.signal}: ${formatQuantity(v.value, v.dimension)}`)
    console.log(`complaints: ${complaints.join(', ') || 'none'}`)
    return undefined
  },

  tests([name], o) {
    const { catalogue: catalogue } = createPredictor(loadSheet(name))
    const rows = catalogue.procedures.map((p) => ({
      test: p.id,
      what: sayTest(catalogue.machine, p),
      when: p.when,
      school: formatWorkMode(p.workMode),
      instrument: p.meter ?? (p.measurement.type === 'code' ? 'display' : 'sense'),
      minutes: p.minutes,
    }))
    if (o.json) return { tests: rows }
    for (const r of rows) console.log(`${r.test.padEnd(28)} ${r.school.padEnd(6)} ${r.what}, ${r.when}`)
    return undefined
  },

  predict([name], o) {
    const predictor = createPredictor(loadSheet(name))
    const { machine, procedures } = predictor.catalogue
    const words = vocabularyOf(predictor.catalogue)
    if (o.instrument !== undefined && !words.instruments.includes(o.instrument))
      fail('wrong-shape', ['--instrument'], o.instrument, words.instruments.join(', '))
    const procedure =
      o.probe === undefined
        ? procedures.find((p) => p.id === o.test)
        : orThrow(parseProbe(predictor.catalogue, o.probe, o.instrument))
    if (!procedure)
      return fail('unknown-test', ['--test'], o.test ?? 'nothing', `one of ${procedures.map((p) => p.id).join(', ')}`)
    if (!words.shapeOf(procedure.id, o.instrument))
      fail('wrong-shape', ['--instrument'], o.instrument!, [procedure.meter, ...procedure.alternativeMeters].join(', '))
    const activeFaults = activeFaultsOf(machine, o.fault ?? [])
    const member = activeFaults.length ? predictor.hypothesisFor(activeFaults) : predictor.healthy
    const p = predictor.predict(member, procedure, o.instrument)
    const dimension = dimensionOf(procedure)
    const sd = p.type === 'value' ? Math.sqrt(varianceOf(p)) : undefined
    if (o.json) return { test: procedure.id, ...plainPrediction(p), sd }
    console.log(sayHow(machine, procedure, o.instrument ?? procedure.meter))
    console.log(
      p.type === 'value'
        ? `${formatQuantity(p.mean, dimension!)} ± ${formatQuantity(2 * sd!, dimension!)} (two standard deviations)`
        : sayReading(readingOf(p), dimension),
    )
    return undefined
  },

  diagnose([name], o) {
    const sheet = loadSheet(name)
    const bands = (o.bands ?? 'published') as Acceptance
    if (!ACCEPTANCES.includes(bands)) fail('wrong-shape', ['--bands'], bands, ACCEPTANCES.join(', '))
    const predictor = createPredictor(
      sheet,
      bands,
      knownGoodOf(buildMachine(sheet), o['known-good'] ?? []),
      o.history === undefined ? undefined : historyOf(buildMachine(sheet), o.history),
    )
    const { machine } = predictor.catalogue
    const order = (o.order ?? 'best') as TestStrategy
    if (!TEST_STRATEGIES.includes(order)) fail('wrong-shape', ['--order'], order, TEST_STRATEGIES.join(', '))
    const evidence = loadEvidence(predictor, o.evidence)
    const a = advise(predictor, evidence, order)
    const json = {
      suspects: a.suspects.filter((s) => s.p > 1e-6).map((s) => ({ faults: s.faults.map((f) => f.id), p: s.p })),
      unexplained: a.belief.unknownFault,
      residual: a.belief.truncatedMass,
      next: a.plan.next.map((s) => ({
        test: s.procedure.id,
        minutes: s.minutes,
        saving: s.saving,
        why: sayTest(machine, s.procedure),
      })),
      verdicts: a.verdicts.map((v, i) => ({
        test: v.test,
        says: v.finding,
        band: v.band,
        slip: a.belief.doubts[i].grossError,
      })),
      repairs: a.plan.remedies.map((r) => ({
        repair: machine.sheet.repairs[r.repair].id,
        p: r.p,
        minutes: r.minutes,
        price: r.price,
        licensed: machine.sheet.repairs[r.repair].licensed,
        unproven: r.unproven.map((f) => machine.faults[f].id),
        killers: r.rootCauses.map((f) => machine.faults[f].id),
      })),
      besides: a.plan.unlistedCandidates.map(({ fault, share, distinguishedBy: tells }) => ({
        fault: fault.id,
        share,
        tells: tells?.procedure.id,
      })),
      state: a.plan.state,
    }
    if (a.plan.next[0])
      json.next[0].why = reasons(predictor, a.belief, a.interpreted, a.plan.next[0])
        .map((r) => `${r.text} (${formatChance(r.chance)}) would point to ${r.leads} (${formatChance(r.p)})`)
        .join('; ')
    if (o.json) return json
    a.verdicts.forEach((v, i) => {
      const r = a.interpreted.case.readings[i]
      console.log(
        `${sayTest(machine, r.procedure)}: ${sayReading(r.value, dimensionOf(r.procedure))}. ${sayVerdict(v, dimensionOf(r.procedure), r.value)} ${sayDoubt(a.belief.doubts[i], r.value, dimensionOf(r.procedure))}`.trimEnd(),
      )
    })
    console.log('\nSuspects')
    for (const s of a.suspects.slice(0, 8))
      console.log(
        `  ${formatChance(s.p).padStart(10)}  ${s.faults.map((f) => f.title).join(' and ') || 'nothing wrong'}`,
      )
    console.log(
      `  ${formatChance(a.belief.unknownFault).padStart(10)}  something else\n  ${formatChance(a.belief.truncatedMass).padStart(10)}  pairs of faults not run (about)`,
    )
    console.log(`\n${SAY_STATE[a.plan.state]}`)
    if (a.plan.stop) {
      for (const r of a.plan.remedies.slice(0, 3)) {
        const { title, licensed } = machine.sheet.repairs[r.repair]
        console.log(`  ${formatChance(r.p).padStart(10)}  ${title}`)
        if (licensed !== undefined) console.log(`${' '.repeat(14)}Stop here: ${licensed}`)
      }
      if (a.plan.unlistedCandidates.length) console.log('\nNot on the sheet')
      for (const { fault, share, distinguishedBy: tells } of a.plan.unlistedCandidates.slice(0, 4)) {
        const told = tells ? `; ${tells.procedure.id} would tell (${tells.minutes.toFixed(1)} min)` : ''
        console.log(`  ${fault.title}: ${sayBeside(share)}${told}`)
      }
    } else {
      for (const s of a.plan.next.slice(0, 5))
        console.log(
          `  saves ${s.saving.toFixed(1)} min in ${s.minutes.toFixed(1)} min  ${s.procedure.id}: ${sayTest(machine, s.procedure)}`,
        )
      console.log(`  why: ${json.next[0].why}`)
    }
    return undefined
  },

  netlist([name], o) {
    const machine = buildMachine(loadSheet(name))
    const phase = o.at === undefined ? -1 : machine.sheet.phases.findIndex((p) => p.id === o.at)
    if (o.at !== undefined && phase < 0)
      fail('unknown-phase', ['--at'], o.at, machine.sheet.phases.map((p) => p.id).join(', '))
    const run = simulate(makeFaultedMachine(machine, activeFaultsOf(machine, o.fault ?? [])), {
      steps: [{ at: 0, start: 0 }],
      until: machine.programs[0].duration,
      stopsWhenFinal: false,
      moments: phase < 0 ? [{ type: 'time', at: 0 }] : [{ type: 'phase', phase, after: 4 }],
    })
    const point =
      run.snapshots[0] ??
      fail('limit-reached', ['--at'], `${o.at} is never reached with these faults`, 'a phase that the machine reaches')
    const analysis = o.dc ? 'dc' : 'ac'
    const s = analysis === 'ac' ? point.ac() : point.dc()
    process.stdout.write(
      writeNetlist(
        `${machine.sheet.title}${o.at ? ` at ${o.at}` : ''}`,
        point.components(),
        s.island,
        analysis,
        machine.sheet.hertz,
        (i) => machine.nodeLabels[i],
      ),
    )
    return undefined
  },
}

const readingOf = (p: Prediction): Parameters<typeof sayReading>[0] =>
  p.type === 'sense'
    ? { type: p.yes > 0.5 ? 'yes' : 'no' }
    : p.type === 'word'
      ? p
      : p.type === 'times'
        ? { type: 'times', clean: Math.round(p.clean * 10), of: 10 }
        : p.type === 'value'
          ? { type: 'value', si: p.mean }
          : { type: p.type }

const plainPrediction = (p: Prediction) => {
  if (p.type === 'value') return { is: p.type, mean: p.mean }
  if (p.type === 'sense') return { is: p.type, yes: p.yes }
  const { type, ...rest } = p
  return { is: type, ...rest }
}

function loadEvidence(predictor: Predictor, file: string | undefined): Evidence[] {
  if (file === undefined || !existsSync(file))
    return fail('missing', ['--evidence'], file ?? 'nothing', 'a JSON or YAML file')
  const lines = new LineCounter()
  const doc = parseDocument(readFileSync(file, 'utf8'), { lineCounter: lines })
  if (doc.errors.length) return fail('not-yaml', [file], doc.errors[0].message.split('\n')[0], 'YAML or JSON')
  const read = readEvidence(doc.toJS() as unknown, vocabularyOf(predictor.catalogue))
  if (read.ok) return read.value
  throw new InputError(
    read.problems.map((p) => {
      const node = doc.getIn(p.place.path, true) as { range?: [number, number, number] } | undefined
      const { line, col } = node?.range ? lines.linePos(node.range[0]) : { line: undefined, col: undefined }
      return { ...p, place: { ...p.place, file, line, column: col } }
    }),
  )
}

/** Runs one command line. Returns the exit code: 0 fine, 1 the input is wrong, 2 the program failed. */
export function main(argv: string[]): number {
  try {
    const { values, positionals } = parseArgs({
      args: argv,
      allowPositionals: true,
      options: {
        fault: { type: 'string', multiple: true },
        set: { type: 'string', multiple: true },
        program: { type: 'string' },
        for: { type: 'string' },
        test: { type: 'string' },
        probe: { type: 'string' },
        instrument: { type: 'string' },
        evidence: { type: 'string' },
        order: { type: 'string' },
        bands: { type: 'string' },
        'known-good': { type: 'string', multiple: true },
        history: { type: 'string' },
        at: { type: 'string' },
        json: { type: 'boolean' },
        dc: { type: 'boolean' },
      },
    })
    const [command, ...sheets] = positionals
    const run = Object.hasOwn(commands, command ?? '') ? commands[command] : undefined
    if (!run) {
      console.error(USAGE)
      return 1
    }
    const result = run(sheets, values)
    if (result !== undefined) console.log(JSON.stringify(result, null, 2))
    return 0
  } catch (error) {
    if (error instanceof InputError) {
      for (const p of error.problems) console.error(describeProblem(p))
      return 1
    }
    if (error instanceof TypeError && 'code' in error && String(error.code).startsWith('ERR_PARSE_ARGS')) {
      console.error(`${error.message}\n\n${USAGE}`)
      return 1
    }
    console.error(error)
    return 2
  }
}

process.exitCode = main(process.argv.slice(2))
