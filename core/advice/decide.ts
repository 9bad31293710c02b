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
  /** `access`: minutes to get there, which a call-back costs again; `call-back`: minutes of one; `price` of its part; `holds`: its chance to hold. */
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
/** Nobody works for so long to get at something, min; nor is a call-back longer. */
const LONGEST = { access: 180, 'call-back': 480 }
const MINUTES = 60

/** Minutes to get at what a repair is done on. */
function accessOf(machine: Machine, repair: number): number {
  const panels = new Set(repairedParts(machine, repair).flatMap((p) => machine.parts[p].panel ?? []))
  return [...panels].reduce((sum, p) => sum + (machine.panelMinutes.get(p) ?? 0), 0)
}

/** An option while it is reckoned: its costs are linear in each of the figures that may be asked about. */
interface Reckoned {
  repair: number
  option: Omit<RepairOption, 'tippings'>
  access: number
  /** What its total rises by for each minute of access and of a call-back, unit of price, and chance to hold. */
  slopes: Record<Tipping['figure'], number>
}

/** When `other` would come cheaper than the cheapest. */
function tippingsOf(cheapest: Reckoned, other: Reckoned, callBack: number): Tipping[] {
  const gap = other.option.total - cheapest.option.total
  const shared = (figure: 'access' | 'call-back', now: number): Tipping[] => {
    // Both change with it: the one that costs less for each more of it wins far enough out.
    const rise = cheapest.slopes[figure] - other.slopes[figure]
    if (Math.abs(rise) < 1e-9) return []
    const at = now + gap / rise
    return at > 0 && at <= LONGEST[figure] ? [{ figure, side: rise > 0 ? 'above' : 'below', at, now }] : []
  }
  const price = other.option.price - gap / other.slopes.price
  const holds = other.option.holds - gap / other.slopes.holds
  const own: Tipping[] = [
    ...(other.option.price > 0 && price > 0
      ? [{ figure: 'price', side: 'below', at: price, now: other.option.price } as const]
      : []),
    ...(other.slopes.holds < 0 && holds < 1
      ? [{ figure: 'holds', side: 'above', at: holds, now: other.option.holds } as const]
      : []),
  ]
  const distance = ({ at, now }: Tipping) => Math.abs(Math.log((at + 1) / (now + 1)))
  return [...shared('access', other.access), ...shared('call-back', callBack), ...own].sort(
    (a, b) => distance(a) - distance(b),
  )
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
  readonly constants: Predictor['calibration']['plan']
  private readonly repairs: Machine['repairs']
  readonly costs: RepairCosts
  /** Faults that each hypothesis still has in it. */
  private readonly stillIn: Belief['hypotheses'][number]['activeFaults'][]
  /** Probability of each fault. */
  private readonly mass: Float64Array

  constructor(
    predictor: Predictor,
    private readonly advice: Advice,
    { hour, prices }: ShopCosts,
  ) {
    this.machine = predictor.catalogue.machine
    this.minute = hour / MINUTES
    this.constants = { ...predictor.calibration.plan, minutesPerMoney: 1 / this.minute }
    this.repairs = this.machine.repairs.map((r) => ({ ...r, price: prices[r.id] ?? r.price }))
    this.costs = RepairCosts.of({ ...this.machine, repairs: this.repairs }, this.constants)
    const done = advice.interpreted.interventions.flatMap((i) => i.repair ?? [])
    const { belief } = advice
    this.stillIn = belief.hypotheses.map((h) => {
      const left = h.activeFaults.filter(({ fault }) => !done.some((r) => fault.curedBy.includes(r)))
      return left.length ? left : h.activeFaults
    })
    this.mass = new Float64Array(this.machine.faults.length)
    this.stillIn.forEach((left, i) => left.forEach(({ fault }) => (this.mass[fault.index] += belief.posterior[i])))
  }

  /** How likely a repair cures it, and what it takes until the machine works where it does not, min. */
  private outcomeOf(repair: number): { cures: number; after: number } {
    const { posterior, unknownFault } = this.advice.belief
    let cures = 0
    const required = this.stillIn.map((left, i) => {
      const rest = left.filter(({ fault }) => !fault.curedBy.includes(repair))
      if (left.length && !rest.length) cures += posterior[i]
      return [...new Set(rest.map(({ fault }) => fault.repair))]
    })
    return { cures, after: this.costs.toGo(required, posterior, unknownFault) }
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

  reckon(repair: number): Reckoned {
    const { minute, constants: c } = this
    const { id, minutes, price, successProbability: holds, licensed } = this.repairs[repair]
    const { cures, after } = this.outcomeOf(repair)
    const access = accessOf(this.machine, repair)
    const wouldKill = this.killersOf(repair)
    const killed = Math.min(
      1,
      wouldKill.reduce((sum, k) => sum + k.p, 0),
    )
    const comesBack = cures * (1 - holds)
    const again = c.callBack + access
    const of = {
      work: (minutes + c.prove + (licensed ? c.callOut : 0)) * minute,
      part: price,
      wrong: ((1 - cures) * this.costs.wrongRepair[repair] + after) * minute,
      callBack: comesBack * again * minute,
      killed: killed * (price + (minutes + c.callBack) * minute),
    }
    const total = of.work + of.part + of.wrong + of.callBack + of.killed
    const { title } = this.machine.sheet.repairs[repair]
    return {
      repair,
      option: { id, title, minutes, price, licensed, cures, holds, total, of, wouldKill },
      access,
      slopes: {
        access: (1 + comesBack) * minute,
        'call-back': (comesBack + killed) * minute,
        price: 1 + killed,
        holds: -cures * again * minute,
      },
    }
  }

  /** Expected cost of the repairs of a year, each with somebody coming for it, money. */
  upkeep(): number {
    const { faults } = this.machine
    const each = (repair: number) => (repair < 0 ? 0 : this.costs.repair[repair] + this.constants.callBack)
    return faults.reduce((sum, f) => sum + f.ratePerYear * each(f.repair) * this.minute, 0)
  }
}

/**
 * What to do about it: the leading repairs of a machine with all that the sheet offers instead of them, each with its expected cost in
 * all: work and proving; the part; being wrong, with the repairs that are then tried in their best order; coming back when it does not
 * hold, the way in made again; the new part killed by what is still there. Money throughout; a minute costs `hour / 60`.
 *
 * Linear in access, call-back, price and chance to hold, so where another one would come cheaper is exact.
 */
export function decide(predictor: Predictor, advice: Advice, costs: ShopCosts): Decision {
  const { machine } = predictor.catalogue
  const reckoning = new Reckoning(predictor, advice, costs)
  const all = repairsToCompare(machine, advice)
    .map((repair) => reckoning.reckon(repair))
    .sort((a, b) => a.option.total - b.option.total)
  const [cheapest] = all
  const unproven = advice.plan.remedies.filter((r) => r.repair === cheapest?.repair).flatMap((r) => r.unproven)
  return {
    options: all.map((r) => ({
      ...r.option,
      tippings: r === cheapest ? [] : tippingsOf(cheapest, r, reckoning.constants.callBack),
    })),
    upkeep: reckoning.upkeep(),
    unproven: [...new Set(unproven.map((f) => machine.faults[f].title))],
  }
}
