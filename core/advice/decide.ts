import type { Predictor } from '../diagnosis/predict'
import type { Belief } from '../diagnosis/belief'
import { RepairCosts } from '../diagnosis/plan'
import type { Machine } from '../model/machine'
import type { Advice } from './advise'
import { repairedParts } from './repair-acts'

/** What a repair is reckoned with: the shop's own figures. */
export interface ShopCosts {
  /** What an hour of work costs, money. Above 0. */
  hour: number
  /** Prices of the shop for parts of repairs, by id; where it has none that of the sheet counts. */
  prices: Readonly<Record<string, number>>
}

/** What a figure has to be for another repair to come cheaper than the cheapest. */
export interface Tipping {
  /** `access`: minutes to get behind the panels of the cheapest, for every repair behind them, and again for a call-back; `call-back`: minutes of one; `price` of its part; `holds`: its chance to hold. */
  figure: 'access' | 'call-back' | 'price' | 'holds'
  /** It pays off above or below `at`. */
  side: 'above' | 'below'
  /** min, money or a chance */
  at: number
  /** What it is now. */
  now: number
}

/** One thing that could be done about it, and what it comes to in all. */
export interface RepairOption {
  id: string
  title: string
  minutes: number
  price: number
  licensed: boolean
  /** Chance that it cures what is wrong, and that it then holds. */
  cures: number
  holds: number
  /** Expected cost in all, money. */
  total: number
  /** Of it: work with proving; the part; being wrong, with what has to be done then; coming back; a new part killed by what is left. */
  of: { work: number; part: number; wrong: number; callBack: number; killed: number }
  /** What may be there still that would kill the new part, with its chance to have done so before. */
  wouldKill: { title: string; p: number }[]
  /** When it would come cheaper than the cheapest, nearest first; empty for the cheapest. */
  tippings: Tipping[]
}

export interface Decision {
  /** The cheapest in expectation first. */
  options: RepairOption[]
  /** Expected cost of the repairs of a year that this machine needs, money: what speaks against keeping it. */
  upkeep: number
  /** Parts that stand suspected in the same loops and are not proven absent, by their titles. */
  unproven: string[]
}

/** How many of the leading things to do are looked at with all that may be done instead. */
const LEADING = 2
/** A thing to do is looked at from this chance on. */
const WORTH_LOOKING = 0.02
/** What could kill a new part is worth a word from this chance on. */
const SAID_FROM = 0.002
/** Nobody works for so long to get at something, nor is a call-back longer, min. */
const LONGEST_ACCESS = 180
const LONGEST_CALL_BACK = 480
/** No part is sold for less, money. */
const LEAST_PRICE = 1
const MINUTES = 60

/** Panels behind which a repair is done, by id. */
const panelsOf = (machine: Machine, repair: number): ReadonlySet<string> =>
  new Set(repairedParts(machine, repair).flatMap((p) => machine.parts[p].panel ?? []))

/** A threshold is found to this share of its interval, in at most so many steps. */
const EXACT = 1e-4
const STEPS = 40

/** Where a continuous function that is positive at `from` turns, by halving; `undefined` where it is positive at `to` as well. */
function rootBetween(f: (x: number) => number, from: number, to: number): number | undefined {
  if (from === to || f(to) >= 0) return undefined
  let [positive, negative] = [from, to]
  for (let k = 0; k < STEPS && Math.abs(positive - negative) > EXACT * Math.abs(to - from); k++) {
    const middle = (positive + negative) / 2
    if (f(middle) >= 0) positive = middle
    else negative = middle
  }
  return (positive + negative) / 2
}

/** Figures that are asked about, as they are and as they might be. */
interface Figures {
  /** Minutes on top of what it takes to get behind the panels in question. */
  access: number
  /** min */
  callBack: number
  price: ReadonlyMap<number, number>
  holds: ReadonlyMap<number, number>
}

/** The leading things to do, and what the trade does instead of them. */
function repairsToCompare(machine: Machine, { plan }: Advice): number[] {
  const leading = plan.remedies
    .toSorted((a, b) => b.p - a.p)
    .filter((r, i) => i === 0 || r.p >= WORTH_LOOKING)
    .slice(0, LEADING)
    .map((r) => r.repair)
  const instead = machine.faults.filter((f) => leading.includes(f.repair)).flatMap((f) => f.curedBy)
  return [...new Set([...leading, ...instead])].filter((r) => r >= 0)
}

/** A belief while repairs are reckoned against it. */
class Reckoning {
  private readonly machine: Machine
  private readonly minute: number
  private readonly constants: Predictor['calibration']['plan']
  private readonly repairs: Machine['repairs']
  /** Faults that each hypothesis still has in it. */
  private readonly stillIn: Belief['hypotheses'][number]['activeFaults'][]
  /** Probability of each fault. */
  private readonly mass: Float64Array
  /** Panels behind which each repair is done. */
  private readonly panels: ReadonlySet<string>[]
  readonly asIs: Figures

  constructor(
    predictor: Predictor,
    private readonly advice: Advice,
    { hour, prices }: ShopCosts,
  ) {
    this.machine = predictor.catalogue.machine
    this.minute = hour / MINUTES
    this.constants = { ...predictor.calibration.plan, minutesPerMoney: 1 / this.minute }
    this.repairs = this.machine.repairs.map((r) => ({ ...r, price: prices[r.id] ?? r.price }))
    this.panels = this.repairs.map((r) => panelsOf(this.machine, r.index))
    this.asIs = { access: 0, callBack: this.constants.callBack, price: new Map(), holds: new Map() }
    const done = advice.interpreted.interventions.flatMap((i) => i.repair ?? [])
    const { belief } = advice
    this.stillIn = belief.hypotheses.map((h) => {
      const left = h.activeFaults.filter(({ fault }) => !done.some((r) => fault.curedBy.includes(r)))
      return left.length ? left : h.activeFaults
    })
    this.mass = new Float64Array(this.machine.faults.length)
    this.stillIn.forEach((left, i) => left.forEach(({ fault }) => (this.mass[fault.index] += belief.posterior[i])))
  }

  /** Minutes to get at what a repair is done on. */
  accessOf(repair: number): number {
    return [...this.panels[repair]].reduce((sum, p) => sum + (this.machine.panelMinutes.get(p) ?? 0), 0)
  }

  /** The repairs as the figures have them. @param behind panels that are dearer to get behind */
  private withFigures({ access, price, holds }: Figures, behind: ReadonlySet<string>): Machine['repairs'] {
    if (!access && !price.size && !holds.size) return this.repairs
    return this.repairs.map((r) => ({
      ...r,
      minutes: r.minutes + ([...this.panels[r.index]].some((p) => behind.has(p)) ? access : 0),
      price: price.get(r.index) ?? r.price,
      successProbability: holds.get(r.index) ?? r.successProbability,
    }))
  }

  /** How likely a repair cures it, and what it takes until the machine works where it does not, min. */
  private outcomeOf(repair: number, costs: RepairCosts): { cures: number; after: number } {
    const { posterior, unknownFault } = this.advice.belief
    let cures = 0
    const required = this.stillIn.map((left, i) => {
      const rest = left.filter(({ fault }) => !fault.curedBy.includes(repair))
      if (left.length && !rest.length) cures += posterior[i]
      return [...new Set(rest.map(({ fault }) => fault.repair))]
    })
    return { cures, after: costs.toGo(required, posterior, unknownFault) }
  }

  /** What may be in the machine that would kill what a repair puts in; what the repair itself takes away kills nothing any more. */
  private killersOf(repair: number): RepairOption['wouldKill'] {
    const { faults } = this.machine
    const cured = new Set(
      faults.filter((f) => f.curedBy.includes(repair) && this.mass[f.index] > 0).map((f) => f.index),
    )
    return faults
      .filter((f) => !f.curedBy.includes(repair))
      .map((f) => {
        const chances = f.causes.filter((x) => cured.has(x.fault)).map((x) => x.chance)
        return { title: f.title, p: this.mass[f.index] * Math.max(0, ...chances) }
      })
      .filter((k) => k.p >= SAID_FROM)
      .sort((a, b) => b.p - a.p)
  }

  /**
   * What a repair comes to.
   *
   * @param figures as they are, or as they might be
   * @param behind the panels that `figures.access` is about
   */
  reckon(repair: number, figures = this.asIs, behind: ReadonlySet<string> = new Set()): Omit<RepairOption, 'tippings'> {
    const { minute } = this
    const c = { ...this.constants, callBack: figures.callBack }
    const repairs = this.withFigures(figures, behind)
    const costs = RepairCosts.of({ ...this.machine, repairs }, c)
    const { id, minutes, price, successProbability: holds, licensed } = repairs[repair]
    const { cures, after } = this.outcomeOf(repair, costs)
    const wouldKill = this.killersOf(repair)
    const killed = Math.min(
      1,
      wouldKill.reduce((sum, k) => sum + k.p, 0),
    )
    // The way in is made again by whoever comes back.
    const access = this.accessOf(repair) + minutes - this.repairs[repair].minutes
    const of = {
      work: (minutes + c.prove + (licensed ? c.callOut : 0)) * minute,
      part: price,
      wrong: ((1 - cures) * costs.wrongRepair[repair] + after) * minute,
      callBack: cures * (1 - holds) * (c.callBack + access) * minute,
      killed: killed * (price + (minutes + c.callBack) * minute),
    }
    const total = of.work + of.part + of.wrong + of.callBack + of.killed
    const { title } = this.machine.sheet.repairs[repair]
    return { id, title, minutes, price, licensed, cures, holds, total, of, wouldKill }
  }

  /** When one repair would come cheaper than the cheapest, nearest first. */
  tippings(cheapest: number, other: number): Tipping[] {
    const behind = this.panels[cheapest]
    const { price, successProbability } = this.repairs[other]
    const access = this.accessOf(cheapest)
    const at = (figure: Tipping['figure'], value: number): Figures => ({
      ...this.asIs,
      ...(figure === 'access' ? { access: value - access } : {}),
      ...(figure === 'call-back' ? { callBack: value } : {}),
      ...(figure === 'price' ? { price: new Map([[other, value]]) } : {}),
      ...(figure === 'holds' ? { holds: new Map([[other, value]]) } : {}),
    })
    const find = (figure: Tipping['figure'], now: number, end: number): Tipping[] => {
      const gap = (value: number) => {
        const figures = at(figure, value)
        return this.reckon(other, figures, behind).total - this.reckon(cheapest, figures, behind).total
      }
      const found = rootBetween(gap, now, end)
      return found === undefined ? [] : [{ figure, side: end > now ? 'above' : 'below', at: found, now }]
    }
    const all = [
      ...(behind.size ? [...find('access', access, LONGEST_ACCESS), ...find('access', access, 0)] : []),
      ...find('call-back', this.asIs.callBack, LONGEST_CALL_BACK),
      ...find('call-back', this.asIs.callBack, 0),
      ...(price > 0 ? find('price', price, 0).filter((t) => t.at >= LEAST_PRICE) : []),
      ...find('holds', successProbability, 1),
    ]
    const distance = ({ at: where, now }: Tipping) => Math.abs(Math.log((where + 1) / (now + 1)))
    return all.sort((a, b) => distance(a) - distance(b))
  }

  /** Expected cost of the repairs of a year, each with somebody coming for it, money. */
  upkeep(): number {
    const costs = RepairCosts.of({ ...this.machine, repairs: this.repairs }, this.constants)
    const each = (repair: number) => (repair < 0 ? 0 : costs.repair[repair] + this.constants.callBack)
    return this.machine.faults.reduce((sum, f) => sum + f.ratePerYear * each(f.repair) * this.minute, 0)
  }
}

/**
 * What to do about it: the leading repairs of a machine with all that the sheet offers instead of them, each with its expected cost in
 * all: work and proving; the part; being wrong, with the repairs that are then tried in their best order; coming back when it does not
 * hold, the way in made again; the new part killed by what is still there. Money throughout; a minute costs `hour / 60`.
 *
 * Where another one would come cheaper is found by reckoning both anew with another figure.
 */
export function decide(predictor: Predictor, advice: Advice, costs: ShopCosts): Decision {
  const { machine } = predictor.catalogue
  const reckoning = new Reckoning(predictor, advice, costs)
  const all = repairsToCompare(machine, advice)
    .map((repair) => ({ repair, ...reckoning.reckon(repair) }))
    .sort((a, b) => a.total - b.total)
  const [cheapest] = all
  const unproven = advice.plan.remedies.filter((r) => r.repair === cheapest?.repair).flatMap((r) => r.unproven)
  return {
    options: all.map(({ repair, ...option }) => ({
      ...option,
      tippings: repair === cheapest.repair ? [] : reckoning.tippings(cheapest.repair, repair),
    })),
    upkeep: reckoning.upkeep(),
    unproven: [...new Set(unproven.map((f) => machine.faults[f].title))],
  }
}
