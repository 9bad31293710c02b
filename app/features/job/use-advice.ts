import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import type { TestCard, View } from '../../../core/advice'
import type { WorkMode } from '../../../core/evidence'
import type { Job } from '../../../core/job'
import type { ShopRecord } from '../../../core/statistics'
import { sheetOf } from '../../data/sheets'
import { ApiError } from '../../data/http'
import { hear } from '../../data/tabs'
import { useEngine, type Acceptance, type Judged, type MachineFacts, type Question, type Strategy } from '../../engine'

/** A sheet that could not be fetched is asked for again after this time, ms. */
const AGAIN_AFTER = 3000

/** The same value from the device and from the server is the same question: a table keeps fields in an order of its own. */
const inOneOrder = <T extends object>(value: T): T => Object.fromEntries(Object.entries(value).sort()) as T

/** The log of a job as the engine takes it. */
const questionOf = (job: Job, barred: WorkMode[]): Question => ({
  barred,
  strategy: job.strategy as Strategy,
  acceptance: job.acceptance as Acceptance,
  written: [
    ...job.complaints.map((complaint) => ({ complaint })),
    ...(job.circumstances ?? []).map((circumstance) => ({ circumstance })),
    ...job.log.map((l) =>
      l.type === 'reading'
        ? {
            event: l.event,
            test: l.test,
            reading: l.text,
            ...(l.value === undefined ? {} : { value: inOneOrder(l.value) }),
            ...(l.instrument === undefined ? {} : { instrument: l.instrument }),
          }
        : { event: l.event, action: `${l.action.verb} ${l.action.target ?? ''}`.trim() },
    ),
  ],
})

/**
 * What the engine says of a job: first the quick answer, then the settled one. Only the newest question counts, and a
 * card on which somebody writes stays.
 *
 * @param record what the shop had seen of such machines when the job came
 * @param barred work that the person signed in may not do
 */
// eslint-disable-next-line max-lines-per-function -- a composable: one closure over what a page shows
export function useAdvice(
  job: Ref<Job>,
  revision: Ref<string | undefined>,
  record: () => Promise<ShopRecord | undefined>,
  text: Ref<string>,
  barred: WorkMode[],
) {
  const engine = useEngine()
  const facts = shallowRef<MachineFacts>()
  const view = shallowRef<View>()
  const verdicts = shallowRef<Record<string, Judged>>({})
  const card = shallowRef<TestCard>()
  const chosen = ref<string>()
  /** Instrument chosen for the test on the card; the usual one when undefined. */
  const meter = ref<string>()
  const broken = ref('')
  const thinking = ref(false)
  const strategy = computed(() => job.value.strategy as Strategy)
  const acceptance = computed(() => job.value.acceptance as Acceptance)
  const question = computed(() => questionOf(job.value, barred))
  /** What lies there: a test, or the column that it is a row of. */
  const laid = computed(() => card.value?.strip?.id ?? card.value?.id)
  let round = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  const fail = (error: unknown) => (broken.value = error instanceof Error ? error.message : String(error))

  async function open(): Promise<void> {
    clearTimeout(timer)
    if (!revision.value || facts.value) return
    try {
      const [files, seen] = await Promise.all([sheetOf(revision.value), record()])
      facts.value = await engine.open(files, seen)
      broken.value = ''
      await think()
    } catch (error) {
      fail(error)
      // Without a connection the sheet comes when it is back.
      if (error instanceof ApiError && error.transient) timer = setTimeout(() => void open(), AGAIN_AFTER)
    }
  }
  watch(revision, open, { immediate: true })
  const deaf = hear(({ type }) => {
    if (type === 'again') void open()
  })
  onScopeDispose(() => {
    clearTimeout(timer)
    deaf()
  })

  async function turnCard(asked: Question, mine: number, quick = false): Promise<void> {
    const begun =
      text.value && laid.value !== undefined && view.value?.next.some((n) => n.id === laid.value)
        ? laid.value
        : undefined
    const test = chosen.value ?? begun ?? view.value?.next[0]?.id
    const next = test === undefined ? undefined : await engine.card(asked, test, meter.value, quick)
    if (mine === round) card.value = next
  }
  async function think(): Promise<void> {
    if (!facts.value) return
    const mine = ++round
    thinking.value = true
    try {
      for (const quick of [true, false]) {
        const answer = await engine.view(question.value, quick)
        if (mine !== round) return
        view.value = answer.view
        verdicts.value = answer.verdicts
        await turnCard(question.value, mine, quick)
      }
      if (mine === round) thinking.value = false
    } catch (error) {
      fail(error)
    }
  }
  // As text: a note or a safety step asks nothing new, and must not turn the card over.
  watch(() => JSON.stringify(question.value), think)

  function lay(test: string, instrument?: string): void {
    chosen.value = test
    meter.value = instrument
    void turnCard(question.value, round)
  }
  /** Back to what is advised. */
  function best(): void {
    chosen.value = undefined
    meter.value = undefined
    void think()
  }
  /** A reading has been taken: a column, as it lay there then, goes on to its next row, else what is advised comes. */
  function taken(strip: TestCard['strip']): void {
    const goesOn = strip?.rows.some((row, i) => i !== strip.at && row.text === undefined)
    chosen.value = goesOn ? strip?.id : undefined
    meter.value = undefined
  }
  return { engine, strategy, acceptance, facts, view, verdicts, card, chosen, broken, thinking, lay, best, taken }
}
