import type { JobStanding, Proof } from './standing'
import type { ProofNeed, SheetFacts } from './sheet-facts'

/** What proves a cycle: a program that was watched to its end after the decision. */
export const CYCLE = 'cycle'
/** A day on which somebody looks at it again. */
const FOLLOW_UP = 'follow-up'

/**
 * Between what a proof that is measured passes, Ω. What in-service tests of earthed appliances with a cord usually ask; local code
 * and the papers of the machine go before it.
 */
export const PROOF_LIMITS: Readonly<Record<string, { least?: number; most?: number } | undefined>> = {
  earth: { most: 0.3 },
  insulation: { least: 1e6 },
}

/** What is measured with the power off and hands in the machine. */
export const isMeasuredDead = (item: string): boolean => PROOF_LIMITS[item] !== undefined

/** The last word on each thing, by its id in the facts of the sheet; what another decision or hands took back is not among them. */
export const proofsOf = ({ proofs = {} }: Pick<JobStanding, 'proofs'>): Map<string, Proof> =>
  new Map(
    Object.values(proofs)
      .sort((a, b) => a.seq - b.seq)
      .map((p) => [p.item, p]),
  )

/** Whether a decision asks for somebody to look at the machine again. */
export const asksForFollowUp = ({ decided }: Pick<JobStanding, 'decided'>): boolean =>
  decided !== undefined && (decided.as === 'interim' || decided.returns === true)

/**
 * What a repair still has to be shown for before its job is closed.
 *
 * @param repair id of a repair of the sheet
 * @returns nothing where facts are of before proofs were asked for
 */
export function stillUnproven(
  repair: string,
  { repairs }: Pick<SheetFacts, 'repairs'>,
  job: Pick<JobStanding, 'proofs' | 'decided' | 'followUp'>,
): ProofNeed[] {
  const said = proofsOf(job)
  const holds = ({ id, unless }: ProofNeed) => {
    const as = said.get(id)?.as
    return as === 'passed' || (as === 'not-needed' && unless !== undefined)
  }
  const open = (repairs.find((r) => r.id === repair)?.proof ?? []).filter((need) => !holds(need))
  const again = asksForFollowUp(job) && job.followUp === undefined
  return again ? [...open, { id: FOLLOW_UP, title: 'a day on which somebody looks at it again' }] : open
}
