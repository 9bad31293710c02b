import { expose } from 'comlink'
import { readEvidence, type Evidence } from '../../core/evidence'
import {
  advise,
  cardOf,
  createPredictor,
  sayTest,
  viewOf,
  vocabularyOf,
  type Advice,
  type TestCard,
} from '../../core/advice'
import { traceLines } from '../../core/diagram'
import { METERS } from '../../core/simulation/instrument'
import { InputError, orThrow } from '../../core/foundation/result'
import type { Acceptance } from '../../core/model/machine'
import type { Predictor } from '../../core/diagnosis/predict'
import { parseProbe } from '../../core/diagnosis/catalogue'
import { readSheet, type Sheet } from '../../core/model/sheet'
import { describeProblem } from '../../core/words'
import type { Answer, EngineApi, Question, Written } from './protocol'

/** Heavy computation, off the page's thread. */
let sheet: Sheet | undefined
/** One predictor for each opinion of what makes a winding good. */
const predictors = new Map<Acceptance, Predictor>()

function opened(bands: Acceptance = 'published'): Predictor {
  if (!sheet) throw new Error('No sheet is open.')
  let own = predictors.get(bands)
  if (!own) predictors.set(bands, (own = createPredictor(sheet, bands)))
  return own
}

/** Each entry by itself: one that the sheet does not know (another revision, another device) is left out, the others count. */
function understood(written: readonly Written[]): { evidence: Evidence; event: string | undefined }[] {
  const words = vocabularyOf(opened().catalogue)
  return written.flatMap((item) => {
    const one = readEvidence([item], words)
    const value = 'value' in item ? item.value : undefined
    const event = 'event' in item ? item.event : undefined
    return one.ok
      ? one.value.map((e) => ({ evidence: e.type === 'reading' && value ? { ...e, value } : e, event }))
      : []
  })
}

/** The newest advice of each sort: view and card ask for the same one. */
const newest = new Map<boolean, { key: string; advice: Advice }>()
function adviceFor({ written, strategy, acceptance }: Question, quick: boolean): Advice {
  const key = JSON.stringify([written, strategy, acceptance])
  const known = newest.get(quick)
  if (known?.key === key) return known.advice
  const evidence = understood(written).map((u) => u.evidence)
  const advice = advise(opened(acceptance), evidence, strategy, quick ? 0 : undefined)
  newest.set(quick, { key, advice })
  if (!quick) void prepare(opened(acceptance))
  return advice
}

/** Longest that background work keeps a question waiting, ms. */
const SLICE = 15
let preparing: Predictor | undefined
/** While somebody fetches a meter: what the next readings will need, in slices, until a machine is opened anew. */
async function prepare(predictor: Predictor): Promise<void> {
  if (preparing === predictor) return
  preparing = predictor
  let since = performance.now()
  for (const _ of predictor.warmUp()) {
    if (performance.now() - since < SLICE) continue
    await new Promise((go) => setTimeout(go))
    if (preparing !== predictor) return
    since = performance.now()
  }
}

const api: EngineApi = {
  open(sheets) {
    try {
      newest.clear()
      predictors.clear()
      preparing = undefined
      sheet = orThrow(readSheet(sheets[0].text, sheets[0].file, (id) => sheets.find((s) => s.id === id)))
      opened()
    } catch (error) {
      if (error instanceof InputError) throw new Error(error.problems.map((p) => describeProblem(p)).join(' '))
      throw error
    }
    const predictor = opened()
    const { machine, procedures, readingMoments: spots } = predictor.catalogue
    return {
      title: sheet.title,
      source: sheet.source,
      parts: machine.parts.map((p) => ({
        id: p.id,
        title: p.title,
        line: p.line,
        byHand: machine.kinds[p.index].manual !== undefined,
        jumper: machine.kinds[p.index].jumperAllowed ?? false,
        terminals: machine.kinds[p.index].terminals,
      })),
      moments: [...new Map(spots.map((s) => [s.id, { id: s.id, title: s.title }])).values()],
      meters: METERS.filter((m) => m.dimension === 'voltage' || m.dimension === 'resistance').map((m) => ({
        id: m.id,
        title: m.title,
        dead: m.dimension === 'resistance',
      })),
      lines: traceLines(predictor.catalogue),
      complaints: sheet.complaints.map(({ id, words }) => ({ id, words })),
      makeSafe: sheet.makeSafe,
      tests: procedures.map((p) => ({
        id: p.id,
        title: sayTest(machine, p),
        when: p.when,
        workMode: p.workMode,
        part: p.measurement.type === 'probe' || p.measurement.type === 'watch' ? p.measurement.part : -1,
        shape: p.shape,
      })),
      repairs: sheet.repairs.map(({ id, title }) => ({ id, title })),
    }
  },
  view(question: Question, quick: boolean): Answer {
    const view = viewOf(opened(question.acceptance), adviceFor(question, quick), !quick)
    // Readings are answered in the order given; each goes back to the event that brought it.
    const readings = understood(question.written).filter((u) => u.evidence.type === 'reading')
    const verdicts = Object.fromEntries(readings.map((u, i) => [u.event!, view.readings[i]!]))
    return { view, verdicts }
  },
  card(question: Question, test: string, instrument: string | undefined, quick: boolean): TestCard | undefined {
    const { acceptance } = question
    return cardOf(opened(acceptance), adviceFor(question, quick), test, instrument, quick ? 0 : undefined)
  },
  /** The id of a free probe, or why there is none. */
  probe(text, instrument) {
    const read = parseProbe(opened().catalogue, text, instrument)
    return read.ok ? { id: read.value.id } : { refused: read.problems.map((p) => describeProblem(p)).join(' ') }
  },
}

expose(api)
