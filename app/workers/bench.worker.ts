import { expose } from 'comlink'
import { readEvidence, type Evidence } from '../../core/evidence'
import {
  advise,
  cardOf,
  linesOf,
  openBench,
  sayTest,
  viewOf,
  vocabularyOf,
  type Advice,
  type Lines,
  type TestCard,
  type View,
} from '../../core/explain'
import { METERS } from '../../core/instrument'
import { InputFault, orThrow, sayProblem } from '../../core/issue'
import type { SafetyNeed } from '../../core/job'
import type { Bands } from '../../core/machine'
import type { Order } from '../../core/plan'
import type { Predictor } from '../../core/predict'
import type { ReadingShape } from '../../core/quantity'
import { readProbe } from '../../core/procedure'
import { readSheet, type Sheet } from '../../core/sheet'

/** Heavy computation, off the page's thread. */
export interface MachineFacts {
  title: string
  source: string
  parts: {
    id: string
    title: string
    line: 'water' | 'power' | 'level'
    byHand: boolean
    jumper: boolean
    terminals: readonly string[]
  }[]
  /** Moments at which a free probe can be taken, and the meters for it. */
  moments: { id: string; title: string }[]
  meters: { id: string; title: string; dead: boolean }[]
  lines: Lines
  complaints: { id: string; says: string }[]
  makeSafe: (SafetyNeed & { text: string })[]
  tests: {
    id: string
    title: string
    when: string
    school: 'live' | 'dead' | 'water' | 'look'
    part: number
    shape: ReadingShape
  }[]
  repairs: { id: string; title: string }[]
}

let sheet: Sheet | undefined
/** One predictor for each opinion of what makes a winding good. */
const predictors = new Map<Bands, Predictor>()

/** What the log of a job says, as it is written in events. */
export type Written =
  { complaint: string } | { action: string } | { test: string; reading: string; instrument?: string }

function opened(bands: Bands = 'published'): Predictor {
  if (!sheet) throw new Error('No sheet is open.')
  let own = predictors.get(bands)
  if (!own) predictors.set(bands, (own = openBench(sheet, bands)))
  return own
}

function evidence(written: Written[]): Evidence[] {
  const words = vocabularyOf(opened().bench)
  // One entry that is not understood (an older sheet, another device) is left out; the others count.
  return written.flatMap((item) => {
    const one = readEvidence([item], words)
    return one.ok ? one.value : []
  })
}

/** The newest advice of each sort: view and card ask for the same one. */
const newest = new Map<boolean, { key: string; advice: Advice }>()
function adviceFor(written: Written[], order: Order, bands: Bands, quick: boolean): Advice {
  const key = JSON.stringify([written, order, bands])
  const known = newest.get(quick)
  if (known?.key === key) return known.advice
  const advice = advise(opened(bands), evidence(written), order, quick ? 0 : undefined)
  newest.set(quick, { key, advice })
  if (!quick) void prepare(opened(bands))
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
  for (const _ of predictor.preparing()) {
    if (performance.now() - since < SLICE) continue
    await new Promise((go) => setTimeout(go))
    if (preparing !== predictor) return
    since = performance.now()
  }
}

const api = {
  open(sheets: { id: string; file: string; text: string }[]): MachineFacts {
    try {
      newest.clear()
      predictors.clear()
      preparing = undefined
      sheet = orThrow(readSheet(sheets[0].text, sheets[0].file, (id) => sheets.find((s) => s.id === id)))
      opened()
    } catch (error) {
      if (error instanceof InputFault) throw new Error(error.message)
      throw error
    }
    const predictor = opened()
    const { machine, procedures, spots } = predictor.bench
    return {
      title: sheet.title,
      source: sheet.source,
      parts: machine.parts.map((p) => ({
        id: p.id,
        title: p.title,
        line: p.line,
        byHand: machine.kinds[p.index].hand !== undefined,
        jumper: machine.kinds[p.index].jumperAllowed ?? false,
        terminals: machine.kinds[p.index].terminals,
      })),
      moments: [...new Map(spots.map((s) => [s.id, { id: s.id, title: s.title }])).values()],
      meters: METERS.filter((m) => m.dimension === 'voltage' || m.dimension === 'resistance').map((m) => ({
        id: m.id,
        title: m.title,
        dead: m.dimension === 'resistance',
      })),
      lines: linesOf(predictor.bench),
      complaints: sheet.complaints.map(({ id, says }) => ({ id, says })),
      makeSafe: sheet.makeSafe,
      tests: procedures.map((p) => ({
        id: p.id,
        title: sayTest(machine, p),
        when: p.when,
        school: p.school,
        part: p.what.is === 'probe' || p.what.is === 'watch' ? p.what.part : -1,
        shape: p.shape,
      })),
      repairs: sheet.repairs.map(({ id, title }) => ({ id, title })),
    }
  },
  view(written: Written[], order: Order, bands: Bands, quick: boolean): View {
    return viewOf(opened(bands), adviceFor(written, order, bands, quick), !quick)
  },
  card(
    written: Written[],
    order: Order,
    bands: Bands,
    test: string,
    instrument: string | undefined,
    quick: boolean,
  ): TestCard | undefined {
    return cardOf(opened(bands), adviceFor(written, order, bands, quick), test, instrument, quick ? 0 : undefined)
  },
  /** The id of a free probe, or why there is none. */
  probe(text: string, instrument: string): { id: string } | { refused: string } {
    const read = readProbe(opened().bench, text, instrument)
    return read.ok ? { id: read.value.id } : { refused: read.problems.map(sayProblem).join(' ') }
  },
}

export type BenchApi = typeof api

expose(api)
