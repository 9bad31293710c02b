import { computed, onScopeDispose, ref, watch } from 'vue'
import { listJobs, type JOB_STATES, type JobRow } from '../../../shared/contracts/jobs'
import { fetchOrKept } from '../../data/fetched'
import { ApiError, call } from '../../data/http'
import { hear } from '../../data/tabs'
import { useSession } from '../session'

export type Filter = 'all' | 'mine' | (typeof JOB_STATES)[number]

const PAUSE_IN_TYPING = 250
const AGAIN_AFTER = 3000

/** The list of jobs: filtered, searched, a page at a time, and fresh when news come. */
// eslint-disable-next-line max-lines-per-function -- a composable: one closure over what a page shows
export function useJobs() {
  const session = useSession()
  const filter = ref<Filter>('all')
  const words = ref('')
  const rows = ref<JobRow[]>()
  const next = ref<string | null>(null)
  const trouble = ref('')
  const stale = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  let round = 0

  const query = computed(() => ({
    ...(words.value.trim() ? { q: words.value.trim() } : {}),
    ...(filter.value === 'mine' ? { mine: 'true' as const } : {}),
    ...(filter.value !== 'all' && filter.value !== 'mine' ? { state: filter.value } : {}),
  }))

  async function load(): Promise<void> {
    clearTimeout(timer)
    const mine = ++round
    try {
      const asked = { query: query.value }
      // What is searched for is asked anew; the lists themselves are kept, one for each choice.
      const { value, fresh } = words.value.trim()
        ? { value: await call(listJobs, asked), fresh: true }
        : await fetchOrKept(session.person!.id, `jobs:${filter.value}`, listJobs, asked)
      if (mine !== round) return
      rows.value = value.jobs
      next.value = value.next
      stale.value = !fresh
      trouble.value = fresh ? '' : 'The server cannot be reached. This is the list as it was last.'
      if (!fresh) timer = setTimeout(() => void load(), AGAIN_AFTER)
    } catch (error) {
      if (mine !== round || !session.person) return
      if (!(error instanceof ApiError)) throw error
      if (error.status === 401) return session.expire()
      trouble.value = error.message
      timer = setTimeout(() => void load(), AGAIN_AFTER)
    }
  }
  async function more(): Promise<void> {
    if (next.value === null) return
    const mine = round
    try {
      const page = await call(listJobs, { query: { ...query.value, cursor: next.value } })
      if (mine !== round) return
      rows.value = [...(rows.value ?? []), ...page.jobs]
      next.value = page.next
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      trouble.value = error.message
    }
  }
  watch(filter, load)
  watch(words, () => {
    clearTimeout(timer)
    timer = setTimeout(() => void load(), PAUSE_IN_TYPING)
  })
  let gathered: ReturnType<typeof setTimeout> | undefined
  const deaf = hear(({ type }) => {
    if (type !== 'job' && type !== 'again') return
    clearTimeout(gathered)
    gathered = setTimeout(() => void load(), 200)
  })
  onScopeDispose(() => {
    round = -1
    clearTimeout(timer)
    clearTimeout(gathered)
    deaf()
  })
  void load()
  return { filter, words, rows, next, trouble, stale, more }
}
