import { onScopeDispose, ref, type Ref } from 'vue'

/** An answer belongs to a question that has stood there for so long, ms. */
const BOUND_AFTER = 600

/** Whether what stands there has just come, so that nobody can have read it yet; `freshen` says that it has. */
export function useFresh(): { fresh: Ref<boolean>; freshen: () => void } {
  const fresh = ref(false)
  let bound: ReturnType<typeof setTimeout> | undefined
  function freshen(): void {
    fresh.value = true
    clearTimeout(bound)
    bound = setTimeout(() => (fresh.value = false), BOUND_AFTER)
  }
  onScopeDispose(() => clearTimeout(bound))
  return { fresh, freshen }
}
