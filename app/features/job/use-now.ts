import { onScopeDispose, ref, type Ref } from 'vue'

/** How often it moves on, ms. */
const EVERY = 60_000

/** What time it is, to the minute, ISO 8601. */
export function useNow(): Readonly<Ref<string>> {
  const now = ref(new Date().toISOString())
  const timer = setInterval(() => (now.value = new Date().toISOString()), EVERY)
  onScopeDispose(() => clearInterval(timer))
  return now
}
