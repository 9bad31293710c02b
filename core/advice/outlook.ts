import type { Advice } from './advise'
import type { Engine } from './engine'
import { minutesLeft } from './view'

/** What a visit to a machine will probably take along and take, as the evidence stands. */
export interface Outlook {
  /** Minutes of work from here to the machine proved; what parts and call-backs weigh is left out. */
  minutes: number
  /** Of them those until the right repair is known: tests, and repairs tried in vain. */
  diagnosis: number
  /** What it may end with, likeliest first. */
  needs: { repair: string; title: string; number?: string | undefined; chance: number; price: number }[]
}

/** Nobody packs for less, chance. */
const LEAST_CHANCE = 0.01

/**
 * What a visit will probably come to: the expected cost of the plan less what of it is money and coming back, and the repairs that the
 * causes call for, each with its chance to be the one.
 */
export function outlookOf({ machine, predictor }: Engine, { plan }: Advice): Outlook {
  const { minutesPerMoney, callBack, prove } = predictor.calibration.plan
  const { repairs } = machine.sheet
  const all = plan.remedies.reduce((sum, r) => sum + r.p, 0)
  const mean = (of: (repair: number) => number) =>
    all > 0 ? plan.remedies.reduce((sum, r) => sum + r.p * of(r.repair), 0) / all : 0
  const notWork = mean((r) => {
    const { price, successProbability } = machine.repairs[r]
    return price * minutesPerMoney + (1 - successProbability) * callBack
  })
  const atLeast = mean((r) => machine.repairs[r].minutes + prove)
  const left = minutesLeft(plan)
  return {
    minutes: Math.max(atLeast, left - notWork),
    diagnosis: Math.max(0, left - notWork - atLeast),
    needs: plan.remedies
      .filter(
        ({ p, repair }) => p >= LEAST_CHANCE && repairs[repair].licensed === undefined && repairs[repair].price > 0,
      )
      .map(({ p, repair, price }) => {
        const { id, title, notes } = repairs[repair]
        return {
          repair: id,
          title,
          ...(notes.partNumber === undefined ? {} : { number: notes.partNumber }),
          chance: p,
          price,
        }
      })
      .sort((a, b) => b.chance - a.chance),
  }
}
