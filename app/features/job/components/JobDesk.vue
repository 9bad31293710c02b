<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, useTemplateRef, watchEffect } from 'vue'
import type { ReadingValue } from '../../../../core/foundation/quantity'
import { barredFor, missingSteps, type Payload } from '../../../../core/job'
import { describeRefusal } from '../../../../core/words'
import { TroubleBar, useKeys } from '../../../ui'
import { useSession } from '../../session'
import { useTrouble } from '../../shell'
import { NuxtLink } from '#components'
import { useDraft } from '../draft'
import { historyRows } from '../history-rows'
import { useAdvice } from '../use-advice'
import { useJob } from '../use-job'
import { shopRecordOf } from '../shop-record'
import { useNow } from '../use-now'
import BypassBar from './BypassBar.vue'
import CauseCard from './CauseCard.vue'
import JobHead from './JobHead.vue'
import MachinePicture from './MachinePicture.vue'
import ProbeForm from './ProbeForm.vue'
import ReadingHistory from './ReadingHistory.vue'
import RefusedEntries from './RefusedEntries.vue'
import SuspectList from './SuspectList.vue'
import TestCard from './TestCard.vue'
import TestChooser from './TestChooser.vue'
import WaysOfWorking from './WaysOfWorking.vue'

const props = defineProps<{ id: string }>()
const person = useSession().person!
const job = useJob(props.id)
const { meta, state, waiting, refused, missing: noSuchJob } = job
const sending = useTrouble()
const text = useDraft(person.id, `${props.id}:reading`)
const advice = useAdvice(
  state,
  computed(() => meta.value?.revision),
  () => shopRecordOf(person.id, props.id),
  text,
  barredFor(person.role),
)
const { facts, view, verdicts, card, chosen, broken, thinking } = advice
const now = useNow()
const probeRefused = ref('')
const part = ref(-1)
const cardBox = useTemplateRef<{ focus(): void }>('cardBox')

const said = computed(() =>
  facts.value
    ? state.value.complaints.map((c) => facts.value?.complaints.find((x) => x.id === c)?.words ?? c).join(', ')
    : '',
)
const closed = computed(() => state.value.closed !== undefined)
const mayWrite = computed(() => person.role !== 'read-only')
const locked = computed(() => closed.value || !mayWrite.value)
const trouble = computed(() => (waiting.value.length ? sending.value?.message : undefined) ?? job.trouble.value)
watchEffect(() => {
  document.title = meta.value ? `${meta.value.unit.title} · Duckweed` : 'Job · Duckweed'
})

const missing = computed(() => {
  if (!card.value || !facts.value) return []
  const need = missingSteps(card.value.workMode, facts.value.makeSafe, state.value, now.value).map((s) => s.id)
  return facts.value.makeSafe.filter((s) => need.includes(s.id))
})
/** Why this person may not take the test on the card. */
const barred = computed(() =>
  card.value && barredFor(person.role).includes(card.value.workMode) ? describeRefusal({ code: 'no-live-work' }) : '',
)
const rows = computed(() =>
  historyRows(
    state.value,
    facts.value,
    verdicts.value,
    new Set(waiting.value.map((e) => e.id)),
    !thinking.value && view.value !== undefined,
  ),
)
const stands = computed(
  () => view.value && view.value.state !== 'testing' && !chosen.value && view.value.remedies.length > 0,
)

const enter = (payload: Payload) => void job.enter(payload)
async function take(answer: string, value: ReadingValue) {
  if (!card.value || missing.value.length || locked.value || barred.value) return
  const other = card.value.meter !== card.value.meters[0]?.id || card.value.id.includes(' to ')
  const instrument = other ? card.value.meter : undefined
  const { id, jumper, workMode, strip } = card.value
  // What is bridged for a test stands in the log before its reading, and stays a bypass until it is out. The card may turn meanwhile.
  if (jumper !== undefined && !state.value.bypasses.includes(jumper))
    if (!(await job.enter({ type: 'action', action: { verb: 'jumper', target: jumper } }))) return
  const kept = await job.enter({
    type: 'reading',
    test: id,
    text: answer,
    value,
    ...(instrument === undefined ? {} : { instrument }),
    ...(workMode === 'energised' ? { live: true as const } : {}),
  })
  // What could not be kept stays where it was typed.
  if (!kept) return
  text.value = ''
  advice.taken(strip)
  part.value = -1
}
function choose(test: string, instrument?: string) {
  text.value = ''
  advice.lay(test, instrument)
  window.scrollTo({ top: 0, behavior: 'smooth' })
}
/** The same test with another instrument; what is typed stays. */
function turnMeter(id: string) {
  if (card.value) advice.lay(card.value.strip?.id ?? card.value.id, id)
}
async function probe(words: string, instrument: string) {
  const found = await advice.engine.probe(words, instrument)
  probeRefused.value = 'refused' in found ? found.refused : ''
  if ('id' in found) choose(found.id, instrument)
}
const bypasses = computed(() =>
  state.value.bypasses.map((id) => ({ id, title: facts.value?.parts.find((p) => p.id === id)?.title ?? id })),
)
/** Parts that hands have parted and not yet put back. */
const parted = computed(() => {
  const out = new Set<string>()
  for (const l of state.value.log) {
    if (l.type !== 'action' || l.action.target === undefined) continue
    if (l.action.verb === 'unplug') out.add(l.action.target)
    if (l.action.verb === 'plug') out.delete(l.action.target)
  }
  return [...out]
})
const handsOn = computed(
  () =>
    !locked.value && !!facts.value && !missingSteps('energised', facts.value.makeSafe, state.value, now.value).length,
)
const undo = (event: string) => enter({ type: 'retracted', event })
const safety = (step: string) => {
  const again = facts.value?.makeSafe.find((s) => s.id === step)?.again
  enter({ type: 'safety', step, ...(again ? { again: true as const } : {}) })
}
const answer = (word: 'yes' | 'no') => card.value?.shape.type === 'yes-no' && take(word, { type: word })
/** What stops the engine: only where nothing else is known to be wrong. */
const stopped = computed(() => (broken.value && !view.value && !trouble.value ? broken.value : ''))

useKeys({
  r: () => cardBox.value?.focus(),
  y: () => void answer('yes'),
  x: () => void answer('no'),
  s: () => missing.value[0] && safety(missing.value[0].id),
  u: () => rows.value[0] && !locked.value && undo(rows.value[0].event),
  escape: () => (document.activeElement as HTMLElement | null)?.blur(),
})
</script>

<template>
  <main class="page">
    <JobHead :unit="meta?.unit" :said="said" />
    <TroubleBar v-if="trouble" :text="trouble" :waiting="waiting.length" />
    <section v-if="noSuchJob" class="card" aria-label="No such job">
      <h2>There is no such job</h2>
      <p>
        The address may be old, or the job belongs to another organisation. <NuxtLink to="/jobs">To the jobs</NuxtLink>
      </p>
    </section>
    <RefusedEntries :entries="refused" @discard="job.discard" @resend="job.resend" />
    <p v-if="stopped" role="alert" class="card">This machine cannot be run: {{ stopped }}</p>
    <BypassBar
      :jumpers="bypasses"
      :closed="closed"
      :locked="locked"
      @out="enter({ type: 'action', action: { verb: 'unjumper', target: $event } })"
    />
    <section v-if="state.closed" class="card row" aria-label="Closed">
      <strong
        >Closed: {{ facts?.repairs.find((r) => r.id === state.closed?.repair)?.title ?? state.closed.repair }}.</strong
      >
      <span>{{ state.closed.text }}</span>
      <Button v-if="mayWrite" class="push" severity="secondary" @click="enter({ type: 'reopened' })">Reopen</Button>
    </section>
    <p v-if="!view && !stopped && !trouble && !noSuchJob" class="soft">Running the machine, healthy and broken …</p>
    <template v-if="facts && view">
      <section class="desk" aria-label="Advice" :aria-busy="!view.settled || thinking">
        <div class="left">
          <CauseCard
            v-if="stands && !locked"
            :view="view"
            :jumpers="state.bypasses"
            @close="(repair, note) => enter({ type: 'closed', repair, text: note })"
            @take="choose"
            @failed="enter({ type: 'action', action: { verb: 'repair', target: $event } })"
          />
          <TestCard
            v-if="card && !stands"
            ref="cardBox"
            v-model:text="text"
            :card="card"
            :missing="missing"
            :best="!chosen"
            :closed="locked"
            :barred="barred"
            @taken="take"
            @safety="safety"
            @best="advice.best"
            @meter="turnMeter"
            @first="choose"
          />
        </div>
        <div class="right">
          <section class="card" style="padding: 0.5rem">
            <MachinePicture
              :lines="facts.lines"
              :parts="facts.parts"
              :links="view.links"
              :next="stands ? -1 : (card?.part ?? -1)"
              @pick="part = $event"
            />
          </section>
          <SuspectList :view="view" />
          <ReadingHistory :rows="rows" :closed="locked" :time-zone="person.timeZone" @undo="undo" />
          <TestChooser
            :tests="facts.tests"
            :view="view"
            :part="part"
            :parts="facts.parts"
            @choose="choose"
            @clear="part = -1"
            :jumpers="state.bypasses"
            :parted="parted"
            :hands-on="handsOn"
            @act="(verb, target) => enter({ type: 'action', action: { verb, target } })"
          >
            <ProbeForm :facts="facts" :refused="probeRefused" @probe="probe" />
          </TestChooser>
          <WaysOfWorking
            :order="advice.strategy.value"
            :bands="advice.acceptance.value"
            :experience="facts?.experience"
            :closed="locked"
            @order="enter({ type: 'test-strategy', strategy: $event })"
            @bands="enter({ type: 'acceptance', acceptance: $event })"
          />
        </div>
      </section>
    </template>
  </main>
</template>

<style scoped>
.desk,
.left,
.right {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
  align-content: start;
}
/* What is to be done stands still on the left; what is known of the machine scrolls beside it. */
@media (min-width: 901px) {
  .page {
    height: 100dvh;
    padding: 0.6rem 1rem 1rem;
    gap: 0.6rem;
    display: flex;
    flex-direction: column;
  }
  .page > * {
    flex: none;
  }
  .page > .desk {
    flex: 1;
    min-height: 0;
    grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
    grid-template-rows: minmax(0, 1fr);
    align-content: stretch;
  }
  .left,
  .right {
    min-height: 0;
    overflow-y: auto;
  }
  .left {
    align-content: stretch;
  }
}
.left:empty {
  display: none;
}
.left:empty + .right {
  grid-column: 1 / -1;
}
/* Room for the act that stands at the thumb. */
@media (max-width: 900px) {
  .page {
    padding-bottom: 20rem;
  }
}
</style>
