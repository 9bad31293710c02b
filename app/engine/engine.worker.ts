import { expose } from 'comlink'
import {
  compareOrders,
  createEngine,
  decide,
  expectedRun,
  newPartChecks,
  judgementOf,
  proofsFor,
  readEach,
  remembered,
  reportMachineOf,
  repairActsOf,
  repairGuideOf,
  telling,
  whyNot,
  withHistory,
  type Advice,
  type Engine,
  type OrderCost,
  type TestCard,
} from '../../core/advice'
import { mayBeBridgedIn, parseProbe, permittedBy } from '../../core/diagnosis/catalogue'
import { readCompiled, writeCompiled, type CompiledPredictions } from '../../core/diagnosis/predict'
import { ladderOf, traceLines } from '../../core/diagram'
import { drawPicture, layoutPicture, stripsOf } from '../../core/diagram/layout'
import { InputError, orThrow } from '../../core/foundation/result'
import { mayBeBridged } from '../../core/model/kinds'
import type { Acceptance } from '../../core/model/machine'
import { readSheet, type OwnOptions, type Sheet } from '../../core/model/sheet'
import { experienceFrom, type Experience, type ShopRecord } from '../../core/statistics'
import { describeProblem, describeProofNeed, describeWhyNot, type ProofSort } from '../../core/words'
import { machineFactsOf } from './machine-facts'
import type {
  Answer,
  Choices,
  Contact,
  EngineApi,
  MachineDrawing,
  MachineFacts,
  Question,
  RepairPlan,
  Written,
} from './protocol'

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

const understood = (written: readonly Written[]) => readEach(opened(), written)

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

const factsNow = (record: ShopRecord | undefined): MachineFacts =>
  machineFactsOf(sheet!, opened(), { provided: compiled !== undefined, fitted, record, experience })

/** Bytes as they leave a stream. */
const through = (bytes: Uint8Array, stream: CompressionStream | DecompressionStream): Response =>
  new Response(new Blob([bytes as BlobPart]).stream().pipeThrough(stream))

/** How something that has to hold is shown, by its id. */
const howProven = (id: string): string => describeProofNeed(id.split(':')[0] as ProofSort).how

const api: EngineApi = {
  open(sheets, record, own = []) {
    try {
      const given = JSON.stringify([sheets, own])
      const told = JSON.stringify(record ?? null)
      // As it was opened last: what was computed since holds.
      if (given === text && told === seen) return factsNow(record)
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
    return factsNow(record)
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
  decide(question, costs): Choices {
    const { machine, predictor } = opened(question.acceptance)
    const { options, ...rest } = decide(predictor, adviceFor(question, false), costs)
    return {
      ...rest,
      options: options.map((o) => {
        const index = machine.repairs.findIndex((r) => r.id === o.id)
        return { ...o, guide: repairGuideOf(machine, index), caution: machine.sheet.repairs[index]!.caution }
      }),
    }
  },
  repairPlan(acceptance, repair): RepairPlan | undefined {
    const { machine, catalogue } = opened(acceptance)
    const index = machine.repairs.findIndex((r) => r.id === repair)
    if (index < 0) return undefined
    const { id, title, minutes, price, licensed, caution } = machine.sheet.repairs[index]!
    const [acts, guide] = [repairActsOf(machine, index), repairGuideOf(machine, index)]
    const proofs = proofsFor(catalogue, index).map((need) => ({ ...need, how: howProven(need.id) }))
    const newPart = newPartChecks(machine, index)
    return { id, title, minutes, price, licensed, caution, acts, guide, newPart, proofs }
  },
  report(question) {
    const engine = opened(question.acceptance)
    const events = understood(question.written).flatMap((u) => (u.evidence.type === 'reading' ? [u.event] : []))
    return { machine: reportMachineOf(engine), judgement: judgementOf(engine, adviceFor(question, false), events) }
  },
  remembered(record: ShopRecord) {
    if (!sheet) throw new Error('No sheet is open.')
    return remembered(plainEngine(sheet), record)
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
