import { computed, ref, shallowRef, watch } from 'vue'
import type { Choices, RepairPlan } from '../../engine'
import { minorUnits } from '../../../core/words'
import type { JobContext } from './use-job-context'
import { useShopParts } from './use-shop-parts'

/** What could be done about it and what each comes to, by what the shop reckons with; asked anew as the evidence changes. */
export function useChoices(context: Pick<JobContext, 'id' | 'advice' | 'person'>) {
  const { advice, person } = context
  const { prices } = useShopParts(context)
  const choices = shallowRef<Choices>()
  const fault = ref('')
  const hour = computed(() => person.hourMinor / minorUnits(person.currency))
  let round = 0
  watch(
    [() => advice.view.value?.settled && JSON.stringify(advice.question.value), hour, prices],
    async ([settled]) => {
      if (!settled) return
      const mine = ++round
      try {
        const answer = await advice.engine.decide(advice.question.value, { hour: hour.value, prices: prices.value })
        if (mine === round) [choices.value, fault.value] = [answer, '']
      } catch (error) {
        if (mine === round) fault.value = error instanceof Error ? error.message : String(error)
      }
    },
    { immediate: true },
  )
  return { choices, fault, hour }
}

/** The repair that was decided, with how it is done and what has to hold after it; `undefined` while there is none, or it is being fetched. */
export function useDecided({ advice, job }: Pick<JobContext, 'advice' | 'job'>) {
  const decided = computed(() => job.state.value.decided)
  const plan = shallowRef<RepairPlan>()
  watch(
    [() => decided.value?.repair, () => advice.facts.value, () => advice.acceptance.value],
    async ([id, facts, acceptance]) => {
      const own = id && facts ? await advice.engine.repairPlan(acceptance, id).catch(() => undefined) : undefined
      if (id === decided.value?.repair) plan.value = own
    },
    { immediate: true },
  )
  /** Never that of a repair that was decided before. */
  const own = computed(() => (plan.value?.id === decided.value?.repair ? plan.value : undefined))
  return { decided, own }
}
