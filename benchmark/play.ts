import type { Evidence, WorkMode } from '../core/evidence'
import { advise, doubtedReadings, type Advice } from '../core/advice'
import type { Procedure, TestCatalogue } from '../core/diagnosis/catalogue'
import type { Suggestion } from '../core/diagnosis/plan'
import type { Machine } from '../core/model/machine'
import type { Predictor } from '../core/diagnosis/predict'
import type { Call } from './draw'

/** What somebody does at each step: a test with its minutes, or undefined to repair. */
export interface Policy {
  name: string
  choose(a: Advice, taken: ReadonlySet<string>): Pick<Suggestion, 'procedure' | 'strip' | 'minutes'> | undefined
}

const follow: Policy = {
  name: 'the advice',
  choose: (a) => (a.plan.state === 'testing' ? a.plan.next[0] : undefined),
}

/** A named order as a fixed list: by work mode, within one in the order of the sheet. */
function permutation(
  name: string,
  workModes: readonly WorkMode[],
  { procedures, accessPaths }: TestCatalogue,
  filtered: boolean,
): Policy {
  // How it was found is looked at by everybody before anything is moved.
  const rest = procedures.filter((p) => !p.needs.asFound)
  const order = [
    ...procedures.filter((p) => p.needs.asFound),
    ...workModes.flatMap((mode) => rest.filter((p) => p.workMode === mode)),
  ]
  return {
    name,
    choose(a, taken) {
      if (a.plan.state !== 'testing') return undefined
      const offered = new Map(a.plan.next.flatMap((s) => (s.strip ? [] : [[s.procedure, s]])))
      const possible = (p: Procedure) => !p.needs.asFound || a.interpreted.workState.asFound
      const procedure = order.find((p) => !taken.has(p.id) && possible(p) && (!filtered || offered.has(p)))
      if (!procedure) return undefined
      const { minutes } = offered.get(procedure) ?? accessPaths.from(a.interpreted.workState, procedure)
      return { procedure, strip: undefined, minutes }
    },
  }
}

export const policiesFor = ({ catalogue }: Predictor): Policy[] => [
  follow,
  permutation('live first', ['observe', 'energised', 'water', 'isolated'], catalogue, true),
  permutation('dead first', ['observe', 'isolated', 'energised', 'water'], catalogue, true),
  permutation('water first', ['observe', 'water', 'energised', 'isolated'], catalogue, true),
  permutation('literal checklist', ['observe', 'isolated', 'energised', 'water'], catalogue, false),
]

/** Watching a cycle after a repair, min. */
const PROVE = 8
const MOST_STEPS = 40
const MOST_REPAIRS = 4

export interface Played {
  minutes: number
  tests: number
  /** Readings taken live. */
  live: number
  /** Parts with a price fitted in vain. */
  wrongParts: number
  /** Repairs of any sort done in vain. */
  wrongRepairs: number
  /** The first repair was one that is needed. */
  rightFirst: boolean
  solved: boolean
  /** Probability stated for the first repair when it was chosen, and whether nothing listed was said to fit. */
  stated: number
  unexplained: boolean
  /** Whether a cause was said to stand then, or nothing to be clear enough to buy a part for. */
  verdict: boolean
  undecided: boolean
  /** Faults that were named then, though the sheet does not list them. */
  named: string[]
  /** The remedy that stood first then; empty where none did. */
  remedy: string
}

const UNPLAYED: Played = {
  minutes: 0,
  tests: 0,
  live: 0,
  wrongParts: 0,
  wrongRepairs: 0,
  rightFirst: false,
  solved: false,
  stated: 0,
  unexplained: false,
  verdict: false,
  undecided: false,
  named: [],
  remedy: '',
}

/** What the advice says where the first repair is chosen. */
const statement = (
  { plan }: Advice,
  { sheet }: Machine,
): Pick<Played, 'stated' | 'unexplained' | 'verdict' | 'undecided' | 'named' | 'remedy'> => ({
  stated: plan.remedies[0]?.p ?? 0,
  unexplained: plan.state === 'unexplained',
  verdict: plan.state === 'cause-stands',
  undecided: plan.state === 'undecided',
  named: plan.unlistedCandidates.slice(0, 4).map((b) => b.fault.id),
  remedy: plan.remedies[0] ? sheet.repairs[plan.remedies[0].repair].id : '',
})

/** Where nothing fits, the readings in doubt are taken once more, as the advice says. */
function takenAgain({ calibration }: Predictor, a: Advice, again: ReadonlySet<string>): Procedure[] {
  if (a.plan.state !== 'unexplained') return []
  return doubtedReadings(a, calibration.belief)
    .map((i) => a.interpreted.case.readings[i].procedure)
    .filter((p) => !again.has(p.id) && (!p.needs.asFound || a.interpreted.workState.asFound))
}

/** Plays one call to its end: tests by the policy, the likeliest cheap repair, and on until it works or nobody knows. */
export function play(predictor: Predictor, call: Call, policy: Policy): Played {
  const { machine, accessPaths } = predictor.catalogue
  const evidence: Evidence[] = [{ type: 'complaint', complaint: call.complaint }]
  const [taken, again] = [new Set<string>(), new Set<string>()]
  const open = new Set(call.repairs)
  const out: Played = { ...UNPLAYED }
  /** One test: a reading, or the rows of a column in one go. */
  const read = (minutes: number, ...readings: readonly Procedure[]) => {
    out.minutes += minutes
    out.tests++
    for (const test of readings) {
      if (test.workMode === 'energised') out.live++
      evidence.push({ type: 'reading', test: test.id, value: call.truth.read(test), instrument: undefined })
    }
  }
  let repairs = 0
  for (let step = 0; step < MOST_STEPS; step++) {
    const a = advise(predictor, evidence)
    const minutesTo = (test: Procedure) => accessPaths.from(a.interpreted.workState, test).minutes
    const test = policy.choose(a, taken)
    if (test) {
      const readings = test.strip?.rows ?? [test.procedure]
      read(test.minutes, ...readings)
      for (const { id } of readings) taken.add(id)
      continue
    }
    const doubted = takenAgain(predictor, a, again)
    for (const procedure of doubted) {
      again.add(procedure.id)
      read(minutesTo(procedure), procedure)
    }
    if (doubted.length) continue
    const best = a.plan.remedies[0]
    if (repairs === 0) Object.assign(out, statement(a, machine))
    if (!best || repairs === MOST_REPAIRS || a.plan.state === 'unexplained') return out
    const right = open.delete(best.repair)
    if (repairs++ === 0) out.rightFirst = right
    out.minutes += best.minutes + PROVE
    if (!right) {
      out.wrongRepairs++
      if (best.price > 0) out.wrongParts++
    }
    if (right && !open.size) return { ...out, solved: true }
    evidence.push({ type: 'action', action: { verb: 'repair', target: machine.sheet.repairs[best.repair].id } })
    if (!right) continue
    // What was repaired is another machine now: every test may tell something new.
    call.truth.repair(best.repair)
    const left = call.truth.complaints()
    if (!left.length) return { ...out, solved: true }
    evidence.push({ type: 'complaint', complaint: left[0] })
    taken.clear()
  }
  return out
}
