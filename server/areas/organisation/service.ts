import type { Rules } from '../../../shared/contracts/organisation'
import type { Person } from '../../../shared/contracts/session'
import { papersDue } from '../erasure/service'
import { findRules, updateRules } from './repository'

/** What holds for everybody of an organisation, and how many jobs have papers that it lets go. */
export const rulesOf = async ({ organisation }: Person) => ({
  rules: await findRules(organisation),
  due: await papersDue(organisation),
})

export async function writeRules(who: Person, rules: Rules) {
  await updateRules(who.organisation, rules)
  return rulesOf(who)
}
