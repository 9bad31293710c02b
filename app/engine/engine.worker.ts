import { expose } from 'comlink'
import type { Evidence } from '../../core/evidence'
import {
  connectorsOf,
  compareOrders,
  connectionsOf,
  conditionsOf,
  createEngine,
  expectedRun,
  needsOf,
  telling,
  whyNot,
  withHistory,
  type Advice,
  type Engine,
  type OrderCost,
  type TestCard,
} from '../../core/advice'
import { mayBeBridgedIn, parseProbe, permittedBy, type Procedure } from '../../core/diagnosis/catalogue'
import { readCompiled, writeCompiled, type CompiledPredictions } from '../../core/diagnosis/predict'
import { ladderOf, traceLines } from '../../core/diagram'
import { drawPicture, layoutPicture, stripsOf } from '../../core/diagram/layout'
import { InputError, orThrow } from '../../core/foundation/result'
import { CIRCUMSTANCES, CIRCUMSTANCE_IDS, mayBeBridged } from '../../core/model/kinds'
import type { Acceptance, Machine } from '../../core/model/machine'
import { readSheet, type OwnOptions, type Sheet } from '../../core/model/sheet'
import { experienceFrom, type Experience, type ShopRecord } from '../../core/statistics'
import { METERS } from '../../core/simulation/instrument'
import { describePosition, describeProblem, describeProof, describeTiming, describeWhyNot } from '../../core/words'
import type { Answer, Contact, EngineApi, MachineDrawing, MachineFacts, Question, Written } from './protocol'

/** Heavy computation, off the page's thread. */
let sheet: Sheet | undefined
/** Which sheet that is, word for word. */
let text = ''
/** What the shop had seen of such machines, in the same way. */
let seen = ''
/** What of its options is otherwise than it says. */
let fitted: OwnOptions = []
let experience: Experience | undefined
/** What was computed of the sheet before. */
let compiled: CompiledPredictions | undefined
/** The engine of the sheet as it stands, without what the shop has seen: kept as long as the sheet is. */
let plain: Engine | undefined
/** One engine for each opinion of what makes a winding good. */
const engines = new Map<Acceptance, Engine>()

const isMoved = (): boolean => Object.keys(experience?.knownGood ?? {}).length > 0
const plainEngine = (own: Sheet): Engine => (plain ??= createEngine(own))

function opened(acceptance: Acceptance = 'published'): Engine {
  if (!sheet) throw new Error('No sheet is open.')
  let own = engines.get(acceptance)
  if (own) return own
  const history = experience?.shopHistory
  if (acceptance !== 'published' || isMoved()) own = createEngine(sheet, { acceptance, ...experience })
  else own = history ? withHistory(plainEngine(sheet), history) : plainEngine(sheet)
  if (compiled && acceptance === 'published') own.predictor.provide(compiled)
  engines.set(acceptance, own)
  return own
}

/** Each entry by itself: one that the sheet does not know (another revision, another device) is left out, the others count. */
function understood(written: readonly Written[]): { evidence: Evidence; event: string | undefined }[] {
  const engine = opened()
  return written.flatMap((item) => {
    const one = engine.read([item])
    const value = 'value' in item ? item.value : undefined
    const event = 'event' in item ? item.event : undefined
    if (!one.ok) return []
    return one.value.map((e) => ({ evidence: e.type === 'reading' && value ? { ...e, value } : e, event }))
  })
}

/** The newest advice of each sort: view and card ask for the same one. */
const newest = new Map<boolean, { key: string; advice: Advice }>()
function adviceFor({ written, strategy, acceptance, barred, kit }: Question, quick: boolean): Advice {
  const key = JSON.stringify([written, strategy, acceptance, barred, kit])
  const known = newest.get(quick)
  if (known?.key === key) return known.advice
  const evidence = understood(written).map((u) => u.evidence)
  const advice = opened(acceptance).advise(evidence, strategy, quick ? 0 : undefined, barred, kit)
  newest.set(quick, { key, advice })
  if (!quick) void prepare(opened(acceptance))
  return advice
}

/** Longest that background work keeps a question waiting, ms. */
const SLICE = 15
let preparing: Engine | undefined
/** While somebody fetches a meter: what the next readings will need, in slices, until a machine is opened anew. */
async function prepare(engine: Engine): Promise<void> {
  if (preparing === engine) return
  preparing = engine
  let since = performance.now()
  for (const _ of engine.warmUp()) {
    if (performance.now() - since < SLICE) continue
    await new Promise((go) => setTimeout(go))
    if (preparing !== engine) return
    since = performance.now()
  }
}

/** Whether a customer beside the machine can answer it: by eye or ear, nothing opened, no meter, no service mode. */
function canCustomer({ sheet }: Machine, { workMode, needs, meter, measurement }: Procedure): boolean {
  if (workMode !== 'observe' || needs.panels.length || needs.loosened.length || meter !== undefined) return false
  if (measurement.type === 'code') return true
  const service = needs.arrival && sheet.programs[needs.arrival.program]?.service
  return measurement.type === 'sense' && measurement.sense !== 'hand' && !service
}

/** Every test of the machine, columns of readings too. */
function testsOf(engine: Engine): MachineFacts['tests'] {
  const { machine, catalogue } = engine
  return [
    ...catalogue.procedures.map((p) => ({ id: p.id, title: engine.titleOf(p), p })),
    ...catalogue.strips.map((s) => ({ id: s.id, title: engine.titleOfStrip(s), p: s.rows[0]! })),
  ].map(({ id, title, p }) => ({
    id,
    title,
    when: describeTiming(machine, p.timing),
    workMode: p.workMode,
    part: 'part' in p.measurement ? p.measurement.part : -1,
    shape: p.shape,
    asFound: p.needs.asFound,
    byCustomer: canCustomer(machine, p) ? engine.howTo(p) : undefined,
    how: p.needs.asFound ? engine.howTo(p) : undefined,
    powered: p.needs.power === 'on',
  }))
}

/** What a page must know of the machine. */
function factsOf(own: Sheet, engine: Engine, record: ShopRecord | undefined): MachineFacts {
  const { machine, catalogue } = engine
  return {
    provided: compiled !== undefined,
    basis: isMoved() || fitted.length ? JSON.stringify([experience?.knownGood, fitted]) : '',
    title: own.title,
    source: own.source,
    parts: machine.parts.map((p) => ({
      id: p.id,
      title: p.title,
      line: p.line,
      byHand: machine.kinds[p.index]!.manual !== undefined,
      terminals: machine.kinds[p.index]!.terminals,
      colours: Object.fromEntries(
        own.colours.filter((c) => c.part === p.id).map(({ terminal, colour }) => [terminal, colour]),
      ),
    })),
    connections: connectionsOf(catalogue),
    moments: [
      ...new Map(
        catalogue.readingMoments.map(({ id, position }) => [id, { id, title: describePosition(machine, position) }]),
      ).values(),
    ],
    meters: METERS.filter((m) => m.dimension === 'voltage' || m.dimension === 'resistance').map((m) => ({
      id: m.id,
      title: m.title,
      dead: m.dimension === 'resistance',
    })),
    programs: own.programs.map(({ id, title, service }) => ({ id, title, service })),
    conditions: conditionsOf(machine),
    complaints: own.complaints.map(({ id, words }) => ({ id, words })),
    options: own.options.map(({ id, title, fitted }) => ({ id, title, fitted })),
    circumstances: CIRCUMSTANCE_IDS.map((id) => ({ id, words: CIRCUMSTANCES[id].words })),
    makeSafe: needsOf(machine).map((need, i) => ({
      ...need,
      text: [describeProof(need), own.makeSafe[i]!.text].filter(Boolean).join('. '),
    })),
    tests: testsOf(engine),
    cautions: own.cautions.map((c) => c.text),
    customer: own.customer,
    repairs: own.repairs.map(({ id, title }) => ({ id, title })),
    asFound: own.asFound,
    connectors: connectorsOf(machine),
    settings: own.settings,
    care: own.care,
    experience: record &&
      experience && {
        jobs: record.jobs.length,
        machineYears: record.machineYears,
        knownGood: Object.values(experience.knownGood).flat().length,
      },
  }
}

/** Bytes as they leave a stream. */
const through = (bytes: Uint8Array, stream: CompressionStream | DecompressionStream): Response =>
  new Response(new Blob([bytes as BlobPart]).stream().pipeThrough(stream))

const api: EngineApi = {
  open(sheets, record, own = []) {
    try {
      const given = JSON.stringify([sheets, own])
      const told = JSON.stringify(record ?? null)
      // As it was opened last: what was computed since holds.
      if (given === text && told === seen) return factsOf(sheet!, opened(), record)
      newest.clear()
      engines.clear()
      preparing = undefined
      const [first] = sheets
      if (!first) throw new Error('A sheet is given first, then what it leads to.')
      if (given !== text) {
        plain = undefined
        sheet = orThrow(readSheet(first.text, first.file, (id) => sheets.find((s) => s.id === id), own))
        fitted = own
        text = given
      }
      compiled = undefined
      experience = record && experienceFrom(plainEngine(sheet!).machine, record)
      opened()
      seen = told
    } catch (error) {
      text = ''
      if (error instanceof InputError) throw new Error(error.problems.map((p) => describeProblem(p)).join(' '))
      throw error
    }
    return factsOf(sheet!, opened(), record)
  },
  async provide(bytes) {
    const own = opened()
    const read = readCompiled(await through(bytes, new DecompressionStream('gzip')).text())
    if (!read || own !== opened()) return read !== undefined
    compiled = read
    own.predictor.provide(read)
    return true
  },
  async computed() {
    const text = new TextEncoder().encode(writeCompiled(opened().predictor.compile()))
    return new Uint8Array(await through(text, new CompressionStream('gzip')).arrayBuffer())
  },
  rehearse(question) {
    const [first] = api.view(question, true).view.next
    if (first) api.card(question, first.id, undefined, true)
  },
  drawing(): MachineDrawing {
    const { catalogue, machine } = opened()
    const lines = traceLines(catalogue)
    return {
      picture: drawPicture(layoutPicture(lines)),
      strips: stripsOf(lines),
      ladder: ladderOf(machine),
    }
  },
  view(question: Question, quick: boolean): Answer {
    const view = opened(question.acceptance).view(adviceFor(question, quick), !quick)
    // Readings are answered in the order given; each goes back to the event that brought it.
    const readings = understood(question.written).filter((u) => u.evidence.type === 'reading')
    const verdicts = Object.fromEntries(readings.map((u, i) => [u.event!, view.readings[i]!]))
    return { view, verdicts }
  },
  card(question: Question, test: string, instrument: string | undefined, quick: boolean): TestCard | undefined {
    const { acceptance } = question
    return opened(acceptance).card(adviceFor(question, quick), test, instrument, quick ? 0 : undefined)
  },
  run(question, program, conditions, windows) {
    const engine = opened(question.acceptance)
    const index = engine.machine.programs.findIndex((p) => p.id === program)
    if (index < 0) throw new Error(`There is no program ${program}.`)
    return expectedRun(engine.predictor, adviceFor(question, true), index, conditions, windows)
  },
  orders(question: Question): OrderCost[] {
    return compareOrders(opened(question.acceptance).predictor, adviceFor(question, false), question.barred)
  },
  telling(question: Question, tests: string[]) {
    return [...telling(opened(question.acceptance).predictor, adviceFor(question, false), tests)]
  },
  whyNot({ written, acceptance }: Question, part: number): string {
    const engine = opened(acceptance)
    const evidence = understood(written).map((u) => u.evidence)
    return describeWhyNot(engine.machine.parts[part]!.title, whyNot(engine.predictor, evidence, part))
  },
  contact(part: number): Contact {
    const { catalogue, machine } = opened()
    const { index, choice } = machine.parts[part]!
    // What nobody may bridge for other reasons is not looked into.
    const lets = mayBeBridged(machine.kinds[index]!, choice) ? permittedBy(catalogue, index) : []
    return { mayBeBridged: mayBeBridgedIn(catalogue, index), lets: lets.map((d) => machine.parts[d]!.title) }
  },
  /** The id of a free probe, or why there is none. */
  probe(text, instrument) {
    const read = parseProbe(opened().catalogue, text, instrument)
    return read.ok ? { id: read.value.id } : { refused: read.problems.map((p) => describeProblem(p)).join(' ') }
  },
}

expose(api)
