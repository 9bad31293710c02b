import { computed, nextTick, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import type { TestCard, View } from '../../../core/advice'
import type { Job } from '../../../core/job'
import type { ShopRecord } from '../../../core/statistics'
import { predictionsOf } from '../../data/predictions'
import { sheetOf } from '../../data/sheets'
import { ApiError } from '../../data/http'
import { hear } from '../../data/tabs'
import {
  questionOf,
  useEngine,
  type Acceptance,
  type Answer,
  type Asking,
  type Judged,
  type MachineDrawing,
  type MachineFacts,
  type Question,
  type Strategy,
} from '../../engine'
import { provideComputed } from './provide-computed'
import { useFresh } from './use-fresh'
import { nextFace, offerBeside, type Face } from './turn'
import type { WhereLeft } from './where-left'

/** A sheet that could not be fetched is asked for again after this time, ms. */
const AGAIN_AFTER = 3000

/** The settled answer is waited for so long in all, from when somebody began to wait, before the quick one is shown as a question, ms. */
const PATIENCE = 700
/** The same where somebody comes back to a job and has no test half taken, ms. */
const PATIENCE_BACK = 4000
/** As long as a timer can wait, ms. */
const NO_END = 2 ** 31 - 1

/**
 * What the engine says of a job: first the quick answer, then the settled one. Only the newest question to the engine
 * counts. The test that stands there is exchanged by nobody but the person (see `turn.ts`): `turn` makes room, a better
 * one found later is offered.
 *
 * @param record what the shop had seen of such machines when the job came
 * @param state names the state of the engine: what one has computed is no answer of another
 * @param left what stood there when the job was left on this device
 * @param asking the person signed in
 */
// eslint-disable-next-line max-lines-per-function -- a composable: one closure over what a page shows
export function useAdvice(
  job: Ref<Job>,
  revision: Ref<string | undefined>,
  record: () => Promise<ShopRecord | undefined>,
  state: string,
  left: { last(): Promise<WhereLeft | undefined>; keep(now: WhereLeft): void },
  asking: Asking,
) {
  const engine = useEngine()
  const facts = shallowRef<MachineFacts>()
  const drawing = shallowRef<MachineDrawing>()
  const view = shallowRef<View>()
  const verdicts = shallowRef<Record<string, Judged>>({})
  const card = shallowRef<TestCard>()
  const face = shallowRef<Face>()
  /** Whether the test that stands there is the person's own choice. */
  const chosen = ref(false)
  /** Instrument chosen for the test on the card; the usual one when undefined. */
  const meter = ref<string>()
  const broken = ref('')
  const thinking = ref(false)
  /** What stands there has been answered, or is to make room; nothing is entered meanwhile. */
  const due = ref(true)
  /** What stands there is bound to no answer yet. */
  const { fresh, freshen } = useFresh()
  const strategy = computed(() => job.value.strategy as Strategy)
  const acceptance = computed(() => job.value.acceptance as Acceptance)
  const question = computed(() => questionOf(job.value, asking))
  const offer = computed(() =>
    view.value && !due.value ? offerBeside(face.value, chosen.value, view.value) : undefined,
  )
  let round = 0
  let again: ReturnType<typeof setTimeout> | undefined

  const fail = (error: unknown) => {
    broken.value = error instanceof Error ? error.message : String(error)
    due.value = false
  }

  const fitted = () => (job.value.options ?? []).map(({ id, fitted }) => ({ id, fitted }))
  /** @param anew though one is open: the machine is otherwise than it was said to be */
  async function open(anew = false): Promise<void> {
    clearTimeout(again)
    if (!revision.value || (facts.value && !anew)) return
    const own = fitted()
    const since = performance.now()
    try {
      const known = { revision: revision.value, engine: state }
      const computed = predictionsOf(known)
      const [files, seen] = await Promise.all([sheetOf(revision.value), record()])
      const opened = await engine.open(files, seen, own)
      const { complaints } = job.value
      const keep = opened.provided
        ? undefined
        : await provideComputed(engine, { known, basis: opened.basis, complaints, plain: computed })
      facts.value = opened
      broken.value = ''
      // It was told while the sheet was read.
      if (JSON.stringify(own) !== JSON.stringify(fitted())) return await open(true)
      await think(anew ? PATIENCE : await comeBack(), since)
      void keep?.()
      // What is to be done comes first.
      drawing.value = await engine.drawing()
    } catch (error) {
      fail(error)
      // Without a connection the sheet comes when it is back.
      if (error instanceof ApiError && error.transient) again = setTimeout(() => void open(), AGAIN_AFTER)
    }
  }
  watch(revision, () => open(), { immediate: true })
  // A machine that has something else fitted is another machine: what stood there was asked of the one before.
  watch(
    () => JSON.stringify(fitted()),
    () => {
      if (!facts.value) return
      turn()
      return open(true)
    },
  )
  const deaf = hear(({ type }) => {
    if (type === 'again') void open()
  })
  onScopeDispose(() => {
    clearTimeout(again)
    deaf()
  })

  /**
   * The test that stood there when this device left the job stands there again, unless it has been answered since.
   *
   * @returns how long the settled answer is waited for, ms
   */
  async function comeBack(): Promise<number> {
    const was = await left.last()
    const patience = job.value.log.length ? PATIENCE_BACK : PATIENCE
    if (!was || face.value) return patience
    // What was to be done is still to be done where nothing was entered since.
    if (was.face.type === 'cause') return job.value.log.every((l) => was.log.includes(l.event)) ? NO_END : patience
    const answeredSince = (id: string) => answersOf(id).some((event) => !was.log.includes(event))
    // A sheet with other options fitted may not have it any more.
    const its = await engine.card(question.value, was.face.id, was.meter, true).catch(() => undefined)
    if (!its || answeredSince(its.id) || its.strip?.rows.every((row) => row.text !== undefined)) return patience
    chosen.value = was.chosen
    meter.value = was.meter
    show(was.face, its)
    return patience
  }
  watch([face, meter, chosen], () => {
    if (!face.value) return
    const log = job.value.log.map((l) => l.event)
    left.keep({ face: { ...face.value }, chosen: chosen.value, meter: meter.value, log })
  })

  const answersOf = (test: string) =>
    job.value.log.flatMap((l) => (l.type === 'reading' && l.test === test ? [l.event] : []))
  /** Readings of the test on the card that were there before it was. */
  let answered = new Set<string>()

  /** Shows a face; a new one is bound to nobody's answer for a moment. */
  function show(next: Face | undefined, its: TestCard | undefined): void {
    const other = JSON.stringify(next) !== JSON.stringify(face.value) || its?.id !== card.value?.id
    face.value = next
    card.value = its
    due.value = false
    if (!other) return
    answered = new Set(its && answersOf(its.id))
    freshen()
  }
  const cardFor = async (asked: Question, next: Face | undefined, quick: boolean) =>
    next?.type === 'test' ? engine.card(asked, next.id, meter.value, quick) : undefined

  /**
   * @param patient how long the settled answer is waited for, ms
   * @param since from when on, ms of the page's clock
   */
  async function think(patient = PATIENCE, since = performance.now()): Promise<void> {
    if (!facts.value) return
    const mine = ++round
    const stale = () => mine !== round
    thinking.value = true
    let patience: ReturnType<typeof setTimeout> | undefined
    try {
      const asked = question.value
      const quick = await engine.view(asked, true)
      if (stale()) return
      const said = (answer: Answer) => {
        view.value = answer.view
        verdicts.value = answer.verdicts
      }
      said(quick)
      if (due.value) {
        const next = nextFace(face.value, true, quick.view)
        const its = await cardFor(asked, next, true)
        if (stale()) return
        // A cause is never shown on the quick answer: it has not looked for two faults at once.
        if (next?.type === 'test')
          patience = setTimeout(
            () => {
              if (!stale() && due.value) show(next, its)
            },
            patient - (performance.now() - since),
          )
      }
      const settled = await engine.view(asked, false)
      clearTimeout(patience)
      if (stale()) return
      const next = nextFace(face.value, due.value, settled.view)
      const its = await cardFor(asked, next, false)
      if (stale()) return
      said(settled)
      // What was laid meanwhile stays.
      if (due.value || JSON.stringify(next) === JSON.stringify(face.value)) show(next, its)
      thinking.value = false
    } catch (error) {
      clearTimeout(patience)
      // A newer question has its own end.
      if (stale()) return
      thinking.value = false
      fail(error)
    }
  }
  // As text: a note or a safety step asks nothing new.
  watch(
    () => JSON.stringify(question.value),
    () => {
      // What somebody else has answered meanwhile is not asked again; a column goes on by itself.
      if (card.value && !card.value.strip && answersOf(card.value.id).some((e) => !answered.has(e))) turn()
      return think()
    },
  )

  /** Lays a test of the person's own choice, or the same one with another instrument. */
  async function lay(test: string, instrument?: string): Promise<void> {
    chosen.value = true
    meter.value = instrument
    const next: Face = { type: 'test', id: test }
    face.value = next
    const its = await engine.card(question.value, test, instrument, false)
    if (face.value === next) show(next, its)
  }
  /** Makes room: what is advised once the log is judged again takes the place of what stands there. */
  function turn(): void {
    chosen.value = false
    meter.value = undefined
    due.value = true
  }
  /** What is advised as things stand, on demand. */
  function best(): void {
    turn()
    void think()
  }
  /** A reading has been taken: a column, as it lay there then, goes on to its next row, else what is advised comes. */
  function taken(strip: TestCard['strip']): void {
    const goesOn = strip?.rows.some((row, i) => i !== strip.at && row.text === undefined)
    if (!goesOn) {
      turn()
      // The log may have been judged already while the entry was being kept: nothing else would fill the room.
      return void nextTick(async () => {
        if (due.value && !thinking.value) await think()
      })
    }
    meter.value = undefined
    freshen()
  }
  /** Whether what is entered now would answer something else than what was read. */
  const unbound = computed(() => due.value || fresh.value)
  /** Of some tests those that tell something of the fault, those that tell most first. */
  const telling = async (tests: string[]) => (await engine.telling(question.value, tests)).map(([id]) => id)
  const whyNot = (part: number) => engine.whyNot(question.value, part)
  return {
    engine,
    question,
    whyNot,
    telling,
    orders: () => engine.orders(question.value),
    strategy,
    acceptance,
    facts,
    drawing,
    view,
    verdicts,
    card,
    face,
    chosen,
    offer,
    unbound,
    broken,
    thinking,
    lay,
    turn,
    best,
    taken,
  }
}
