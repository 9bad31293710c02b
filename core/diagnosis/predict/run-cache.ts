import { makeFaultedMachine, type FaultedMachine, type Intervention } from '../../model/machine'
import { newSimulationCache, simulate } from '../../simulation/simulate'
import type { TestCatalogue } from '../catalogue'
import type { Hypothesis } from '../hypotheses'
import { interventionsKey } from './interventions-key'
import type { RunRecord } from './types'

interface HypothesisRuns {
  records: Map<string, RunRecord>
  /** The machine with the hypothesis's faults, by what hands have done. */
  faulted: Map<string, FaultedMachine>
}

/** The runs of hypotheses through the scripts of a catalogue, made when asked for and kept. */
export class RunCache {
  private readonly runs = new Map<number, HypothesisRuns>()
  private readonly cache = newSimulationCache()

  constructor(private readonly catalogue: TestCatalogue) {}

  private of(hypothesis: Hypothesis): HypothesisRuns {
    let own = this.runs.get(hypothesis.index)
    if (!own) this.runs.set(hypothesis.index, (own = { records: new Map(), faulted: new Map() }))
    return own
  }
  /** The values of the machine that a hypothesis starts from; not to be changed. */
  private valuesOf({ shifts }: Hypothesis): Float64Array {
    const { values } = this.catalogue.machine
    if (!shifts.length) return values
    const own = values.slice()
    for (const { param, by } of shifts) own[param] += by
    return own
  }

  /** The run of a hypothesis through one script, with interventions in. */
  record(hypothesis: Hypothesis, run: number, interventions: readonly Intervention[] = []): RunRecord {
    const { runs, machine } = this.catalogue
    const { records, faulted } = this.of(hypothesis)
    const key = `${run}|${interventionsKey(interventions)}`
    const known = records.get(key)
    if (known) return known
    const all = [...interventions, ...runs[run].interventions]
    const faultedKey = interventionsKey(all)
    let own = faulted.get(faultedKey)
    if (!own) {
      own = makeFaultedMachine(machine, hypothesis.activeFaults, all, this.valuesOf(hypothesis))
      faulted.set(faultedKey, own)
    }
    const { snapshots, standing, watched, displayedCodes, complaints, phases } = simulate(
      own,
      runs[run].script,
      this.cache,
    )
    const record = { snapshots, standing, watched, displayedCodes, complaints, phases }
    records.set(key, record)
    return record
  }

  /** The phases of a hypothesis's run with one parameter one standard deviation up. */
  perturbedPhases(
    hypothesis: Hypothesis,
    run: number,
    interventions: readonly Intervention[],
    param: number,
  ): RunRecord['phases'] {
    const { runs, machine } = this.catalogue
    const { records } = this.of(hypothesis)
    const key = `${run}|${interventionsKey(interventions)}|${param}`
    const known = records.get(key)
    if (known) return known.phases
    const values = this.valuesOf(hypothesis).slice()
    values[param] += machine.params[param].sd
    const all = [...interventions, ...runs[run].interventions]
    const faulted = makeFaultedMachine(machine, hypothesis.activeFaults, all, values)
    const { phases } = simulate(faulted, { ...runs[run].script, watches: undefined }, this.cache)
    records.set(key, { phases, snapshots: [], standing: [], watched: [], displayedCodes: [], complaints: [] })
    return phases
  }

  forget({ index }: Hypothesis): void {
    this.runs.delete(index)
  }
}
