import type { Machine } from './types'

/** What a shop's closed jobs say: years that machines of this sheet were looked after, and how often each fault was found. */
export interface ShopHistory {
  machineYears: number
  /** Cases by fault id. */
  cases: Readonly<Record<string, number>>
}

/**
 * The machine with rates moved by what was found. Each rate is the mean of a gamma distribution: the sheet's figure
 * counts as `priorExposureYears` machine-years of experience, to which the history is added (conjugate to Poisson counts; Gelman
 * et al., Bayesian Data Analysis, 2.6): (rate·weight + cases) / (weight + machine-years).
 *
 * @param history `machineYears` ≥ 0 and counts ≥ 0; ids that the sheet does not have are left out of account
 * @example a rate of 0.02 /year with priorExposureYears 100, 6 cases in 100 machine-years: (2 + 6) / 200 = 0.04 /year
 */
export function withShopHistory(machine: Machine, { machineYears, cases }: ShopHistory): Machine {
  return {
    ...machine,
    faults: machine.faults.map((f) => ({
      ...f,
      ratePerYear: (f.ratePerYear * f.priorExposureYears + (cases[f.id] ?? 0)) / (f.priorExposureYears + machineYears),
    })),
  }
}
