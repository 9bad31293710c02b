import {
  advise,
  decide,
  expectedRun,
  newPartChecks,
  proofsFor,
  repairActsOf,
  repairGuideOf,
  type Engine,
  type NewPartCheck,
} from '../core/advice'
import type { Evidence, HandAct } from '../core/evidence'
import { CYCLE, DEAD_ACTS, isMeasuredDead, type Payload, type ProofNeed } from '../core/job'
import { judgeRun, type Mark } from '../core/running'
import { watchedTurns, type DrawnMachine } from '../core/truth'
import { formatReading } from '../core/words'

/** Money that an hour costs in the demo world. */
const HOUR = 60
const MINOR = 100
/** A cycle is watched so long at most, s. */
const LONGEST = 2 * 3600
/** A good machine may take so much longer than as its sheet has it. */
const LONGER = 1.3
/** What an earth and an insulation that are good show. */
const SHOWN: Readonly<Record<string, string>> = { earth: '0.12 Ω', insulation: '180 MΩ' }
/** Proved with the power off, before it goes back. */
const DEAD = new Set(['meter', 'earth', 'insulation'])
/** Stands for when the device began a run: the loader puts the time of the event there. */
const BEGAN = '2000-01-01T00:00:00.000Z'

/** What enters and makes safe for whoever plays a job. */
export interface Hands {
  /** @param minutes until the next entry @returns the id of the event */
  put(payload: Payload, minutes?: number): string
  makeSafe(acts: readonly HandAct[]): void
}

/** How a repair is carried out, where it is otherwise than usual. */
interface Manner {
  /** For good, or for now and by when it is done for good. */
  decided?: Pick<Extract<Payload, { type: 'decided' }>, 'as' | 'until'>
  /** Takes off what is in the way. @returns puts it back on */
  takeOff?: () => () => void
}

/** The new part measured: what a good one shows, in the middle. */
function measureNewPart(checks: readonly NewPartCheck[], repair: string, { put }: Hands): void {
  for (const { id, good, shape } of checks) {
    const value =
      good.type === 'range'
        ? ({ type: 'value', si: (good.least + good.most) / 2 } as const)
        : ({ type: 'yes' } as const)
    const text = formatReading(value, shape.type === 'number' ? shape.dimension : undefined)
    put({ type: 'new-part', repair, check: id, text, good: true }, 1)
  }
}

/** A program watched to its end on the machine that stands there, everything noted that a good machine does. @returns what it shows */
function watchCycle({ machine, predictor }: Engine, evidence: readonly Evidence[], truth: DrawnMachine, hands: Hands) {
  const expected = expectedRun(predictor, advise(predictor, evidence), 0)
  const seconds = Math.min(LONGER * expected.lasts, LONGEST)
  const turns = watchedTurns(
    machine,
    truth.live(),
    0,
    expected.lanes.map((l) => l.id),
    seconds,
    new Set(expected.cues.filter((c) => c.turn === 'on' && c.nth === 0 && c.at < 1).map((c) => c.lane)),
  )
  const known = new Set(expected.cues.map((c) => `${c.lane} ${c.turn} ${c.nth}`))
  const seen = turns.filter((s) => known.has(`${s.lane} ${s.turn} ${s.nth}`))
  hands.makeSafe(['power', 'fill'])
  hands.put({ type: 'action', action: { verb: 'start', target: expected.program } }, 0)
  const run = hands.put({ type: 'run', program: expected.program, began: BEGAN }, 0)
  let last = 0
  for (const s of seen) {
    hands.put({ type: 'marked', run, ...s, noticed: 'hand' }, (s.seconds - last) / 60)
    last = s.seconds
  }
  hands.put({ type: 'run-over', run, seconds }, Math.max(0, seconds - last) / 60)
  const marks = seen.map((s, k): Mark => ({ event: String(k), ...s, noticed: 'hand' }))
  return { run, as: judgeRun(expected, { marks, now: seconds, over: true }).as }
}

const holds = ({ id, unless }: ProofNeed): Payload =>
  unless === undefined || DEAD.has(id)
    ? { type: 'proven', item: id, as: 'passed', ...(SHOWN[id] ? { text: SHOWN[id] } : {}) }
    : { type: 'proven', item: id, as: 'not-needed', text: 'Checked on the bench and by its rating.' }

/** What the customer is told that a repair costs. @returns the id of the event */
export function quote({ machine, predictor }: Engine, evidence: readonly Evidence[], repair: string, { put }: Hands) {
  const { title, minutes, price } = machine.sheet.repairs.find((r) => r.id === repair)!
  const own = decide(predictor, advise(predictor, evidence), { hour: HOUR, prices: {} }).options.find(
    (o) => o.id === repair,
  )
  const work = { text: `Work: ${title}, ${minutes} min`, minor: Math.round((minutes / 60) * HOUR * MINOR) }
  const part = price > 0 ? [{ text: `Part: ${title}`, minor: Math.round(price * MINOR) }] : []
  const doubtful = own !== undefined && own.of.wrong > own.of.work + own.of.part
  const text = doubtful ? 'There may be more to it; told before it is done.' : ''
  return put({ type: 'quoted', currency: 'EUR', lines: [work, ...part], text })
}

/** The customer is told what a repair costs, says yes, and it is decided. */
export function settle(
  engine: Engine,
  evidence: readonly Evidence[],
  repair: string,
  hands: Hands,
  decided: Manner['decided'] = { as: 'for-good' },
): void {
  const told = quote(engine, evidence, repair, hands)
  hands.put({ type: 'answered', quote: told, yes: true, who: 'Wenna D.' })
  hands.put({ type: 'decided', repair, ...decided })
}

/** The new part measured, the old one out, the steps of the sheet ticked off. */
function work({ machine }: Engine, index: number, hands: Hands, takeOff: Manner['takeOff']): void {
  const { put, makeSafe } = hands
  const { id: repair, title, minutes } = machine.sheet.repairs[index]
  makeSafe(repairActsOf(machine, index))
  const putBack = takeOff?.()
  const guide = repairGuideOf(machine, index)
  const checks = newPartChecks(machine, index)
  measureNewPart(checks, repair, hands)
  const last = guide.steps.at(-1)
  for (const s of guide.steps) {
    // What came off is back before it is tried.
    if (s === last) putBack?.()
    put({ type: 'ticked', repair, list: 'steps', item: s.text }, minutes / (guide.steps.length + 1))
  }
  if (!last) putBack?.()
  for (const item of guide.lookAt) put({ type: 'ticked', repair, list: 'look-at', item }, 1)
  if (!checks.length) return
  const number = guide.partNumber === undefined ? {} : { number: guide.partNumber }
  put({ type: 'used', title, ...number, count: 1, from: 'van' })
  put({ type: 'condemned', title: 'The old part', how: 'Wires cut off.' }, 1)
}

/**
 * A repair as it is carried out and proved: decided, priced, its new part measured, ticked off, and a cycle of the machine that really
 * stands there watched through. The machine is repaired by it.
 *
 * @throws Error where the cycle shows that it did not do
 */
export function carryOut(
  engine: Engine,
  truth: DrawnMachine,
  evidence: readonly Evidence[],
  repair: string,
  hands: Hands,
  { decided, takeOff }: Manner = {},
): void {
  const { machine, catalogue } = engine
  const { put, makeSafe } = hands
  const index = machine.repairs.findIndex((r) => r.id === repair)
  if (machine.sheet.repairs[index].licensed !== undefined) return
  settle(engine, evidence, repair, hands, decided)
  work(engine, index, hands, takeOff)
  truth.repair(index)
  const proofs = proofsFor(catalogue, index).filter((p) => p.id !== CYCLE)
  if (proofs.some((p) => isMeasuredDead(p.id))) makeSafe(DEAD_ACTS)
  for (const p of proofs.filter((q) => DEAD.has(q.id))) put(holds(p), 1)
  const { run, as } = watchCycle(engine, evidence, truth, hands)
  if (as === 'failed') throw new Error(`${machine.sheet.id}: ${repair} does not do.`)
  const seen = { type: 'proven', item: CYCLE, as: 'passed', run } as const
  const left = {
    type: 'proven',
    item: CYCLE,
    as: 'not-needed',
    text: 'Not all of it was waited for; the desk watches the first one.',
  } as const
  put(as === 'passed' ? seen : left, 1)
  for (const p of proofs.filter((q) => !DEAD.has(q.id))) put(holds(p), 1)
  // Found as it usually is, and left so.
  for (const { id, usual } of machine.sheet.settings)
    if (usual !== undefined) put({ type: 'setting', setting: id, as: 'left', text: usual }, 1)
}
