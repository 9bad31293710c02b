import { readEvidence, type Evidence, type Kit, type TestStrategy, type Vocabulary, type WorkMode } from '../evidence'
import type { Result } from '../foundation/result'
import type { Procedure, Strip, TestCatalogue } from '../diagnosis/catalogue'
import { warmUp, type Predictor } from '../diagnosis/predict'
import type { SheetFacts } from '../job'
import type { Machine } from '../model/machine'
import { findMeter } from '../simulation/instrument'
import { describeHow, describeStrip, describeTest } from '../words'
import { advise, type Advice } from './advise'
import { cardOf, type TestCard } from './card'
import { factsOf } from './sheet-facts'
import { viewOf, type View } from './view'
import { vocabularyOf } from './vocabulary'

/** The running engine of one machine, behind one face. What it has computed it keeps; no answer depends on that. */
export class Engine {
  readonly vocabulary: Vocabulary

  constructor(readonly predictor: Predictor) {
    this.vocabulary = vocabularyOf(predictor.catalogue)
  }
  get catalogue(): TestCatalogue {
    return this.predictor.catalogue
  }
  get machine(): Machine {
    return this.predictor.catalogue.machine
  }

  /** Evidence as it is written in a file or a log, or every mistake in it. */
  read(written: unknown): Result<Evidence[]> {
    return readEvidence(written, this.vocabulary)
  }
  /**
   * Everything the evidence says.
   *
   * @param pairs pairs of faults to run; leave out for the settled answer, 0 for the quick one
   * @param barred work that whoever asks may not do
   * @param kit what they have with them
   */
  advise(
    evidence: readonly Evidence[],
    strategy?: TestStrategy,
    pairs?: number,
    barred?: readonly WorkMode[],
    kit?: Kit,
  ): Advice {
    return advise(this.predictor, evidence, strategy, pairs, barred, kit)
  }
  /** Advice with its words, for a screen. @param settled whether pairs of faults have been run for it */
  view(advice: Advice, settled = true): View {
    return viewOf(this.predictor, advice, settled)
  }
  /** The card of one test as the evidence stands; `undefined` for a test that there is not. */
  card(advice: Advice, test: string, instrument?: string, pairs?: number): TestCard | undefined {
    return cardOf(this.predictor, advice, test, instrument, pairs)
  }
  /** The name of a test in lists. */
  titleOf(procedure: Procedure): string {
    return describeTest(this.machine, procedure, this.predictor.calibration.plan.timesWorked)
  }
  /** The name of a column of readings. */
  titleOfStrip(strip: Strip): string {
    return describeStrip(this.machine, strip, this.predictor.calibration.plan.timesWorked)
  }
  /** What the hands do for a test, with the instrument of this id. */
  howTo(procedure: Procedure, instrument: string | undefined = procedure.meter): string {
    const meter = instrument === undefined ? undefined : findMeter(instrument)
    return describeHow(this.machine, procedure, meter, this.predictor.calibration.plan.timesWorked)
  }
  /** What a job's guard and the lists must know of the machine. */
  facts(): SheetFacts {
    return factsOf(this.catalogue)
  }
  /** Does, a little at a time, what coming readings would have to wait for. */
  warmUp(): Generator<void> {
    return warmUp(this.predictor)
  }
}
