import { createEngine } from '../core/advice'
import { orThrow } from '../core/foundation/result'
import { readSheet } from '../core/model/sheet'
import { timeCold, timeJobs, timeTable } from './time-jobs'

export interface BrowserTimes {
  cold: number
  table: number
  quick: number[]
  settled: number[]
}
type Texts = Record<string, { text: string; file: string }>

declare global {
  /** What the benchmark calls in the browser. */
  var timeSheet: (id: string, texts: Texts, jobs: number, seed: number) => BrowserTimes
}

globalThis.timeSheet = (id, texts, jobs, seed) => {
  const open = () => createEngine(orThrow(readSheet(texts[id].text, texts[id].file, (name) => texts[name]))).predictor
  const { ms: cold, predictor } = timeCold(open)
  const { quick, settled } = timeJobs(predictor, jobs, seed)
  return { cold, quick, settled, table: timeTable(open()) }
}
