<script setup lang="ts">
import { LEAD_OFF } from '../../../../../core/job'
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { speakOnce, useKeys } from '../../../../ui'
import type { Contact } from '../../../../engine'
import { useDraft } from '../../draft'
import { useJobContext } from '../../use-job-context'
import AddPhoto from '../wiring/AddPhoto.vue'
import CauseCard from './CauseCard.vue'
import HandsBusy from './HandsBusy.vue'
import MachinePicture from '../drawings/MachinePicture.vue'
import ProbeForm from './ProbeForm.vue'
import ReadingHistory from './ReadingHistory.vue'
import RemarkList from './RemarkList.vue'
import StopForm from './StopForm.vue'
import SuspectList from './SuspectList.vue'
import TestCard from './TestCard.vue'
import TestChooser from './TestChooser.vue'
import WaysOfWorking from './WaysOfWorking.vue'

const context = useJobContext()
const router = useRouter()
const { person, job, advice, text, locked, missing, barred, rows, stands, parted, handsOn } = context
const { state } = job
const { facts, drawing, view, card, chosen, offer, unbound, thinking } = advice
const remark = useDraft(person.id, `${context.id}:remark`)
const part = ref(-1)
const probeRefused = ref('')
/** Why the part that was tapped is not suspected, asked anew with each answer. */
const why = ref('')
watch([part, view], async ([chosen]) => {
  const said = chosen < 0 ? '' : await advice.whyNot(chosen).catch(() => '')
  if (chosen === part.value) why.value = said
})
/** What is known of bridging it. */
const contact = ref<Contact>()
watch(part, async (chosen) => {
  contact.value = undefined
  if (chosen < 0) return
  const known = await advice.engine.contact(chosen).catch(() => undefined)
  if (chosen === part.value) contact.value = known
})
const cardBox = useTemplateRef<{ focus?(): void; hold(): void; release(): void }>('cardBox')
/** What is not read first is laid out once what is stands on the screen. */
const settledIn = ref(false)
onMounted(() => requestAnimationFrame(() => setTimeout(() => (settledIn.value = true))))
/** What is known of the machine, which scrolls beside the act. */
const known = useTemplateRef<HTMLElement>('known')
const unrecorded = computed(() => !state.value.labels.length && !state.value.photos.length)
const record = () => router.replace(`/jobs/${context.id}/wiring`)
const showsCause = computed(() => stands.value && !locked.value)

function choose(test: string, instrument?: string) {
  context.choose(test, instrument)
  part.value = -1
  window.scrollTo({ top: 0, behavior: 'smooth' })
  known.value?.scrollTo({ top: 0 })
}
async function probe(words: string, instrument: string) {
  const found = await advice.engine.probe(words, instrument)
  probeRefused.value = 'refused' in found ? found.refused : ''
  if ('id' in found) choose(found.id, instrument)
}
const answer = (word: 'yes' | 'no') => card.value?.shape.type === 'yes-no' && void context.take(word, { type: word })
// A question that comes is read from its head.
watch(
  () => `${showsCause.value} ${card.value?.id}`,
  () => {
    window.scrollTo({ top: 0 })
    document.querySelector('.details')?.scrollTo({ top: 0 })
  },
)
/** What has just come, for whoever cannot see it. */
const announced = computed(() => {
  if (thinking.value) return ''
  const last = rows.value[0]
  const next = showsCause.value ? 'What to do is clear enough' : card.value && `Now: ${card.value.title}`
  return [last && `${last.title}: ${last.verdict}`, next].filter(Boolean).join('. ')
})

/** What is done on the card alone, never in passing. */
const held = computed(() => {
  if (barred.value) return barred.value
  if (missing.value.length) return `Make it safe first: go back and hold ${missing.value[0]!.title}.`
  if (card.value?.jumper !== undefined && !state.value.bypasses.includes(card.value.jumper))
    return 'This test bridges a part: go back and take it from the card.'
  if (card.value?.lifts !== undefined && !state.value.bypasses.includes(card.value.lifts + LEAD_OFF))
    return 'This test lifts a lead: go back and take it from the card.'
  return locked.value ? 'This job is closed.' : ''
})
const busy = ref(false)
// What follows from a cause is read and chosen on the card.
watch(
  showsCause,
  (stand) => {
    if (!stand || !busy.value) return
    busy.value = false
    speakOnce(`What to do is clear enough: ${advice.view.value?.groups[0]?.title ?? ''}`)
  },
  { flush: 'post' },
)

useKeys({
  h: () => (busy.value = !busy.value),
  r: () => busy.value || cardBox.value?.focus?.(),
  y: () => busy.value || answer('yes'),
  x: () => busy.value || answer('no'),
  s: { down: () => busy.value || cardBox.value?.hold(), up: () => cardBox.value?.release() },
  u: () => rows.value[0] && !locked.value && context.undo(rows.value[0].event),
  escape: () => (document.activeElement as HTMLElement | null)?.blur(),
})
</script>

<template>
  <section v-if="facts && view" class="find step panes" aria-label="Advice" :aria-busy="!view.settled || thinking">
    <div class="left">
      <CauseCard
        v-if="showsCause"
        :view="view"
        :off="(state.disconnected ?? []).map((d) => d.name)"
        :decided="facts.repairs.find((r) => r.id === state.decided?.repair)?.title ?? ''"
        :unbound="unbound"
        @decide="router.replace(`/jobs/${context.id}/decide`)"
        @take="choose"
      />
      <TestCard
        v-else-if="card"
        ref="cardBox"
        v-model:text="text"
        :card="card"
        :missing="missing"
        :left="context.left.value"
        :unrecorded="unrecorded"
        @record="record"
        :best="!chosen"
        :offer="offer"
        :unbound="unbound"
        :closed="locked"
        :barred="barred"
        @taken="context.take"
        @safety="context.safety"
        @best="advice.best"
        @meter="context.turnMeter"
        @first="choose"
        @busy="busy = true"
      />
    </div>
    <div ref="known" class="right">
      <section class="card machine">
        <MachinePicture
          v-if="drawing"
          :drawing="drawing"
          :parts="facts.parts"
          :links="view.links"
          :next="showsCause ? -1 : (card?.part ?? -1)"
          @pick="part = $event"
        />
      </section>
      <p v-if="why" class="card" role="status" aria-label="Why not this part">{{ why }}</p>
      <SuspectList :view="view" />
      <ReadingHistory :rows="rows" :closed="locked" :time-zone="person.timeZone" @undo="context.undo" />
      <template v-if="settledIn">
        <RemarkList
          v-model:text="remark"
          :remarks="state.remarks"
          :locked="locked"
          :time-zone="person.timeZone"
          @add="(said, to) => context.enter({ type: 'note', text: said, ...(to === 'customer' ? { to } : {}) })"
          @undo="context.takeBack($event)"
        >
          <AddPhoto about="remark" />
        </RemarkList>
        <TestChooser
          :tests="facts.tests"
          :view="view"
          :part="part"
          :parts="facts.parts"
          :contact="contact"
          @choose="choose"
          @clear="part = -1"
          :jumpers="state.bypasses"
          :parted="parted"
          :hands-on="handsOn"
          @act="(verb, target) => context.act({ type: 'action', action: { verb, target } })"
        >
          <ProbeForm :facts="facts" :ladder="drawing?.ladder" :refused="probeRefused" @probe="probe" />
        </TestChooser>
        <WaysOfWorking
          :order="advice.strategy.value"
          :bands="advice.acceptance.value"
          :experience="facts?.experience"
          :compare="advice.orders"
          :closed="locked"
          @order="context.act({ type: 'test-strategy', strategy: $event })"
          @bands="context.act({ type: 'acceptance', acceptance: $event })"
        />
        <StopForm
          v-if="!locked"
          :left="context.left.value"
          :bypassed="state.bypasses.length > 0"
          @end="(as, text) => context.enter({ type: 'closed', repair: '', text, as })"
          @wait="(what, text) => context.enter({ type: 'awaits', what, text })"
        />
      </template>
    </div>
    <HandsBusy
      v-if="busy && card && !showsCause"
      v-model:text="text"
      :card="card"
      :unbound="unbound"
      :held="held"
      :last="rows[0] ? `${rows[0].title}: ${rows[0].text}. ${rows[0].verdict}` : ''"
      @taken="context.take"
      @undo="rows[0] && context.undo(rows[0].event)"
      @close="busy = false"
    />
    <p class="hush" role="status">{{ announced }}</p>
  </section>
</template>

<style scoped>
/* What is to be done stands still on the left; what is known of the machine scrolls beside it. */
@media (min-width: 901px) {
  .left {
    align-content: stretch;
  }
}
.machine {
  padding: 0.5rem;
}
@media (min-width: 901px) {
  .machine {
    height: 19.4rem;
  }
}
/* Room for the act that stands at the thumb. */
@media (max-width: 900px) {
  .find {
    padding-bottom: 25.5rem;
  }
}
@media (max-width: 900px) and (max-height: 500px) and (orientation: landscape) {
  .find {
    padding-bottom: 1rem;
  }
}
.left:empty {
  display: none;
}
.left:empty + .right {
  grid-column: 1 / -1;
}
</style>
