import {
  makeFaultedMachine,
  type ActiveFault,
  type FaultedMachine,
  type Intervention,
  type ModeSetting,
} from '../../model/machine'
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

const startsKey = (starts: readonly ModeSetting[]): string => starts.map((s) => `${s.mode}=${s.value}`).join(',')

/**
 * What hands have done, as far as it acts on a hypothesis: where every fault of it was repaired and the machine is still being looked
 * at, the repairs did not hold, and the faults are in it as before.
 */
function acting({ activeFaults }: Hypothesis, interventions: readonly Intervention[]): readonly Intervention[] {
  const cures = ({ repair }: Intervention, { fault }: ActiveFault) =>
    repair !== undefined && fault.curedBy.includes(repair)
  const held = activeFaults.some((a) => !interventions.some((i) => cures(i, a)))
  return held ? interventions : interventions.filter((i) => !activeFaults.some((a) => cures(i, a)))
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

  /** The run of a hypothesis that somebody on a visit sees: it starts with what the customer's run has tripped or blown. */
  onVisit(hypothesis: Hypothesis, run: number, interventions: readonly Intervention[] = []): RunRecord {
    return this.record(hypothesis, run, interventions, this.leftBehind(hypothesis, interventions))
  }
  private leftBehind(hypothesis: Hypothesis, interventions: readonly Intervention[]): readonly ModeSetting[] {
    const { machine, customersRun } = this.catalogue
    if (!machine.staying.length) return []
    // Of what hands have done since, the customer's run knows nothing; what is repaired left nothing behind.
    const repairs = interventions.filter((i) => i.repair !== undefined)
    return this.record(hypothesis, customersRun, repairs).left
  }

  /** The run of a hypothesis through one script, with interventions in. @param starts what is tripped or blown before it */
  record(
    hypothesis: Hypothesis,
    run: number,
    interventions: readonly Intervention[] = [],
    starts: readonly ModeSetting[] = [],
  ): RunRecord {
    const { runs, machine } = this.catalogue
    const { records, faulted } = this.of(hypothesis)
    const key = `${run}|${interventionsKey(interventions)}|${startsKey(starts)}`
    const known = records.get(key)
    if (known) return known
    const all = [...acting(hypothesis, interventions), ...runs[run].interventions]
    const faultedKey = interventionsKey(all)
    let own = faulted.get(faultedKey)
    if (!own) {
      own = makeFaultedMachine(machine, hypothesis.activeFaults, all, this.valuesOf(hypothesis))
      faulted.set(faultedKey, own)
    }
    const { snapshots, standing, watched, displayedCodes, complaints, phases, end } = simulate(
      own,
      { ...runs[run].script, starts },
      this.cache,
    )
    const { heldModes } = own
    const left = machine.staying
      .filter((mode) => heldModes[mode] < 0 && end.modes[mode] !== machine.modes[mode])
      .map((mode) => ({ mode, value: end.modes[mode] }))
    const record = { snapshots, standing, watched, displayedCodes, complaints, phases, left }
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
    const starts = this.leftBehind(hypothesis, interventions)
    const key = `${run}|${interventionsKey(interventions)}|${startsKey(starts)}|${param}`
    const known = records.get(key)
    if (known) return known.phases
    const values = this.valuesOf(hypothesis).slice()
    values[param] += machine.params[param].sd
    const all = [...acting(hypothesis, interventions), ...runs[run].interventions]
    const faulted = makeFaultedMachine(machine, hypothesis.activeFaults, all, values)
    const { phases } = simulate(faulted, { ...runs[run].script, starts, watches: undefined }, this.cache)
    records.set(key, { phases, snapshots: [], standing: [], watched: [], displayedCodes: [], complaints: [], left: [] })
    return phases
  }

  forget({ index }: Hypothesis): void {
    this.runs.delete(index)
  }
}
