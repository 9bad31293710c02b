<script setup lang="ts">
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { readUnit } from '../../../../../shared/contracts/units'
import { fetchOrKept } from '../../../../data/fetched'
import { formatMoment } from '../../../../ui'
import { askedOf } from '../../asked'
import { useDraft } from '../../draft'
import { useJobContext } from '../../use-job-context'
import AddPhoto from '../wiring/AddPhoto.vue'
import AskList from './AskList.vue'
import AtOnce from './AtOnce.vue'

/** From the doorstep: what the customer says, what it makes likely, and what is to be looked at before anything is moved. */
const { id, person, job, advice, locked, act, record, undo } = useJobContext()
const { meta, state } = job
const { facts, view } = advice
const router = useRouter()

const MOST_AS_FOUND = 8
const MOST_BY_CUSTOMER = 5
/** Chosen once: a question that stands there is not taken away by the answer to another. */
const asFound = shallowRef<string[]>()
const byCustomer = shallowRef<string[]>()
async function chooseAsked() {
  if (!facts.value) return
  const { tests } = facts.value
  const those = tests.filter((t) => t.asFound || t.byCustomer !== undefined)
  // What could not be asked leaves what stands there.
  const worth = await advice.telling(those.map((t) => t.id)).catch(() => undefined)
  if (!worth) return
  const isFound = (id: string) => tests.some((t) => t.id === id && t.asFound)
  asFound.value = worth.filter(isFound).slice(0, MOST_AS_FOUND)
  byCustomer.value = worth.filter((id) => !isFound(id)).slice(0, MOST_BY_CUSTOMER)
}
watch(
  () => view.value?.settled === true,
  (settled) => settled && !asFound.value && void chooseAsked(),
  { immediate: true },
)
/** Answered ones stay where they are seen, also after coming back. */
const answered = (wanted: (t: { asFound: boolean; byCustomer: string | undefined }) => boolean) =>
  facts.value
    ? state.value.log.flatMap((l) =>
        l.type === 'reading' && facts.value!.tests.some((t) => t.id === l.test && wanted(t)) ? [l.test] : [],
      )
    : []
const rowsOf = (ids: string[] | undefined, wanted: Parameters<typeof answered>[0]) =>
  facts.value ? askedOf([...new Set([...(ids ?? []), ...answered(wanted)])], facts.value, state.value) : []
const found = computed(() => rowsOf(asFound.value, (t) => t.asFound))
const phone = computed(() => rowsOf(byCustomer.value, (t) => t.byCustomer !== undefined && !t.asFound))

const draft = useDraft(person.id, `${id}:words`)
/** Emptied is not the same as never touched. */
const touched = ref(false)
const words = computed(() => (touched.value ? draft.value : draft.value || state.value.words))
function type(text: unknown) {
  touched.value = true
  draft.value = String(text ?? '')
}
const changed = computed(() => words.value !== state.value.words)
function tell(more: { complaints?: string[]; words?: string; options?: { id: string; fitted: boolean }[] } = {}) {
  const { circumstances, options } = { ...state.value, ...more }
  void act({
    type: 'said',
    complaints: more.complaints ?? state.value.complaints,
    ...(circumstances ? { circumstances } : {}),
    ...(options?.length ? { options } : {}),
    words: more.words ?? state.value.words,
  })
}
function keep() {
  tell({ words: words.value })
  draft.value = ''
  touched.value = false
}
function turn(complaint: string) {
  const { complaints: own } = state.value
  const next = own.includes(complaint) ? own.filter((c) => c !== complaint) : [...own, complaint]
  if (next.length) tell({ complaints: next })
}

/** What is as the sheet says again is not said any more. */
function fit({ id: option, fitted }: { id: string; fitted: boolean }) {
  const { options = [] } = state.value
  const others = options.filter((o) => o.id !== option).map((o) => ({ ...o }))
  tell({ options: others.length < options.length ? others : [...others, { id: option, fitted: !fitted }] })
}

/** Complaints that nobody has made stand here only when asked for: what is asked next comes before them. */
const showsOthers = ref(false)
const complaints = computed(() => {
  const all = (facts.value?.complaints ?? []).map((c) => ({
    id: c.id,
    title: c.words,
    on: state.value.complaints.includes(c.id),
    turn: () => turn(c.id),
  }))
  return { all, shown: showsOthers.value ? all : all.filter((c) => c.on) }
})
/** What can be told by a tap. */
const told = computed(() =>
  [
    { name: 'Complaints', lead: '', chips: complaints.value.shown },
    {
      name: 'Fitted on this machine',
      lead: 'Fitted here:',
      chips: (facts.value?.options ?? []).map((o) => ({ id: o.id, title: o.title, on: o.fitted, turn: () => fit(o) })),
    },
  ].filter((group) => group.chips.length),
)

const past = shallowRef<{ id: string; repair: string; said: string; when: string }[]>([])
const visits = computed(() =>
  past.value.map((v) => ({
    id: v.id,
    when: v.when,
    title: facts.value?.repairs.find((r) => r.id === v.repair)?.title ?? (v.repair || v.said),
  })),
)
watch(
  () => meta.value?.unit.id,
  async (unit) => {
    if (!unit) return
    const kept = await fetchOrKept(person.id, `unit:${unit}`, readUnit, { params: { id: unit } }).catch(() => undefined)
    past.value = (kept?.value.visits ?? [])
      .filter((v) => v.id !== id)
      .slice(0, 3)
      .map((v) => ({
        id: v.id,
        repair: v.repair,
        said: v.complaints.join(', ') || 'A visit',
        when: formatMoment(v.createdAt, person.timeZone),
      }))
  },
  { immediate: true },
)
</script>

<template>
  <section v-if="facts && view" class="step call" aria-label="Call">
    <section class="card told" aria-label="What the customer says">
      <h2>What the customer says</h2>
      <div v-for="group in told" :key="group.name" class="chips" role="group" :aria-label="group.name">
        <span v-if="group.lead" class="soft small lead">{{ group.lead }}</span>
        <button
          v-for="c in group.chips"
          :key="c.id"
          type="button"
          class="chip"
          :disabled="locked"
          :aria-pressed="c.on"
          @click="c.turn()"
        >
          {{ c.title }}
        </button>
        <button
          v-if="group.name === 'Complaints' && !locked && complaints.all.some((c) => !c.on)"
          type="button"
          class="chip"
          :aria-expanded="showsOthers"
          @click="showsOthers = !showsOthers"
        >
          {{ showsOthers ? 'No more' : 'And what else?' }}
        </button>
      </div>
      <label
        >In their own words
        <Textarea :model-value="words" maxlength="4000" rows="2" fluid :disabled="locked" @update:model-value="type" />
      </label>
      <Button v-if="changed && !locked" severity="secondary" @click="keep">Keep these words</Button>
    </section>
    <AtOnce :facts="facts" :view="view" :visits="visits" />
    <section class="card" aria-label="As found">
      <h2>As found, before anything is moved</h2>
      <p class="soft small">
        What stands there now tells of the run that failed. Switching off may drain it, latch it or wipe it.
      </p>
      <ul v-if="facts.asFound.length" class="may" aria-label="Also noted">
        <li v-for="a in facts.asFound" :key="a">{{ a }}</li>
      </ul>
      <p v-if="asFound && !found.length && !facts.asFound.length" class="soft">
        Nothing that stands there says more than the call does.
      </p>
      <AskList name="As found" :asked="found" :locked="locked" @answer="record" @undo="undo" />
      <AddPhoto about="found" />
    </section>
    <section class="card" aria-label="On the phone">
      <h2>On the phone: what a customer beside it can answer</h2>
      <AskList name="On the phone" :asked="phone" :locked="locked" @answer="record" @undo="undo" />
      <button v-if="!locked" type="button" class="chip" @click="chooseAsked">What else can be asked</button>
      <h3>And what they may do</h3>
      <ul class="may">
        <li v-for="c in facts.customer" :key="c">{{ c }}</li>
        <li v-if="!facts.customer.length">
          Shut the tap. Open no panel and touch no wire. Smell of gas: touch no switch, leave, call from outside.
        </li>
      </ul>
    </section>
    <div class="go-on">
      <Button @click="router.replace(`/jobs/${id}/find`)">Go on: find the cause</Button>
    </div>
  </section>
</template>

<style scoped>
.call {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.8rem;
  align-content: start;
}
.lead {
  align-self: center;
}
.told {
  display: grid;
  gap: 0.6rem;
}
.card h3 {
  margin-top: 0.8rem;
}
.may {
  margin: 0.3rem 0 0;
  padding-left: 1.2rem;
}
</style>
