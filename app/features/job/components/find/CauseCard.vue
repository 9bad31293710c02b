<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { AppIcon } from '../../../../ui'
import type { HandAct } from '../../../../../core/job'
import type { View } from '../../../../../core/advice'
import type { MachineFacts } from '../../../../engine'
import { formatChance } from '../../../../../core/words'
import ActCard from './ActCard.vue'
import ChanceBar from '../drawings/ChanceBar.vue'
import MakeSafe from '../safe/MakeSafe.vue'
import BeforeYouLeave from './BeforeYouLeave.vue'
import RepairGuide from './RepairGuide.vue'
import RecordFirst from '../wiring/RecordFirst.vue'

const props = defineProps<{
  view: View
  facts: Pick<MachineFacts, 'settings' | 'care'>
  jumpers: string[]
  /** Safety steps still to be done before these acts of the hands. */
  stepsFor: (acts: readonly HandAct[]) => MachineFacts['makeSafe']
  /** What is disconnected and not back. */
  off: readonly string[]
  /** Nothing says yet what goes where. */
  unrecorded: boolean
  /** It has just come: nobody can have read it yet, and a second tap on what stood there means nothing here. */
  unbound: boolean
}>()
const emit = defineEmits<{
  close: [repair: string, text: string]
  failed: [repair: string]
  take: [test: string]
  safety: [step: string]
  record: []
}>()
const choice = ref('')
/** What ends the job or the repair is entered once, and only once it has been read. */
let entered = false
function end(as: 'close' | 'failed') {
  if (props.unbound || entered) return
  entered = true
  if (as === 'close') emit('close', repair.value, note.value)
  else emit('failed', repair.value)
}
watch(
  () => props.view,
  () => (entered = false),
)
watch(choice, () => (done.value = false))
const safe = useTemplateRef<{ press(): void; release(): void }>('safe')
defineExpose({
  hold: () => safe.value?.press(),
  release: () => safe.value?.release(),
})
const note = ref('')
/** Said by the person: what the safety steps are before has been done. */
const done = ref(false)
const SAY = {
  testing: { tag: '', text: '' },
  'cause-stands': {
    tag: 'The cause stands',
    text: 'No further test is worth its minutes. Choose the repair, do it, and watch a whole cycle before you close.',
  },
  unexplained: {
    tag: 'Nothing on the sheet fits',
    text: 'The readings fit no fault that the sheet lists. Take the doubtful ones again, or choose a test of your own. Condemn no part on this.',
  },
  'quicker-done': {
    tag: 'Quicker done than tested',
    text: 'No test is worth more than simply doing this, and it costs next to nothing. Watch a whole cycle; if it still fails, the tests go on.',
  },
  undecided: {
    tag: 'No cause is clear enough',
    text: 'No listed test is worth its minutes, and no single repair stands. Below are the nearest; prove before you buy.',
  },
} as const
/** The quick answer has not looked yet for what the sheet does not list. */
const looking = { tag: 'Looking for what else would explain it …', text: '' }
const says = computed(() => (props.view.settled ? SAY[props.view.state] : looking))
const stands = computed(() => props.view.settled && props.view.state === 'cause-stands')
const own = computed(() => props.view.remedies.find((r) => r.id === repair.value))
const steps = computed(() => (own.value && !own.value.licensed ? props.stepsFor(own.value.acts) : []))
const repair = computed(() => choice.value || props.view.remedies[0]?.id || '')
</script>

<template>
  <ActCard class="cause" :class="{ open: !stands }" aria-label="The cause" about="What to do" paper="cause" low>
    <span class="tag">{{ says.tag }}</span>
    <h2 v-if="view.suspects[0]">
      <template v-if="!stands">Nearest: </template>{{ view.suspects[0].title }}
      <span class="soft">({{ formatChance(view.suspects[0].p) }} of the chances)</span>
    </h2>
    <p v-if="says.text">{{ says.text }}</p>
    <p v-if="off.length" role="note" aria-label="Still off" class="before">
      <strong>Still off:</strong> {{ off.join(', ') }}. Put it back before the job is closed as repaired.
    </p>
    <div class="remedies">
      <label v-for="r in view.remedies.slice(0, 4)" :key="r.id" class="remedy">
        <input v-model="choice" type="radio" name="repair" :value="r.id" :checked="repair === r.id" />
        <span>{{ r.title }}</span><ChanceBar :p="r.p" :name="`How likely: ${r.title}`" /><span class="small soft"
          >{{ r.minutes }} min{{ r.price ? `, part ${r.price}` : '' }}</span
        >
      </label>
    </div>
    <p v-if="own?.licensed" class="before" role="note" aria-label="Licensed work">
      <strong>This tool stops here.</strong> {{ own.licensed }}
    </p>
    <p class="caution">
      <AppIcon name="danger" /> <template v-if="own?.caution">{{ `${own.caution} ` }}</template>Isolate and prove dead
      before parts come off. Local codes and licensed trades decide where this tool stops.
    </p>
    <RepairGuide v-if="own" :guide="own.guide" />
    <RecordFirst v-if="unrecorded && !own?.licensed" @record="emit('record')" />
    <div v-if="own && (own.unproven.length || own.rootCauses.length)" class="before">
      <p v-if="own.rootCauses.length">
        <strong>Look before you fit it:</strong> {{ own.rootCauses.join(', ') }} would undo this repair.
      </p>
      <p v-if="own.unproven.length"><strong>Not proven absent yet:</strong> {{ own.unproven.join('; ') }}.</p>
    </div>
    <section v-if="view.unlistedCandidates.length" class="before" aria-label="Not on the sheet">
      <strong>Not on this sheet, and not ruled out:</strong>
      <div v-for="b in view.unlistedCandidates" :key="b.title" class="beside">
        <span
          >{{ b.title }} <span class="soft">{{ b.text }}</span></span
        >
        <Button v-if="b.distinguishedBy" size="small" severity="secondary" @click="emit('take', b.distinguishedBy.id)">
          {{ b.distinguishedBy.title }} ({{
            b.distinguishedBy.minutes.toFixed(b.distinguishedBy.minutes < 10 ? 1 : 0)
          }}&nbsp;min)
        </Button>
      </div>
    </section>
    <BeforeYouLeave v-if="stands" :facts="facts" />
    <template #act>
      <div v-if="steps.length && !done" class="first">
        <MakeSafe ref="safe" :steps="steps" before="parts come off" @done="emit('safety', $event)" />
        <button type="button" class="word-button" @click="done = true">The repair is done already</button>
      </div>
      <div v-else class="ends" :aria-disabled="unbound || undefined">
        <InputText v-model="note" placeholder="Cause, part number, advice given …" aria-label="Note" fluid />
        <Button :disabled="jumpers.length > 0 || (off.length > 0 && !own?.licensed) || !repair" @click="end('close')">{{
          own?.licensed ? 'Handed over: close the job' : 'Repaired and proved: close the job'
        }}</Button>
        <Button v-if="!own?.licensed" severity="secondary" :disabled="!repair" @click="end('failed')"
          >Done, and it still fails</Button
        >
      </div>
    </template>
  </ActCard>
</template>

<style scoped>
h2 > .soft {
  margin-left: 0.35em;
}
.cause {
  border: 3px solid var(--good);
}
.cause.open {
  border-color: var(--ink);
  border-style: dashed;
}
.open .tag {
  background: var(--ink);
}
.tag {
  justify-self: start;
  background: var(--good);
  color: var(--card);
  border-radius: 99px;
  padding: 0.1rem 0.7rem;
  font-size: 0.82rem;
  font-weight: 600;
}
.remedy {
  display: grid;
  grid-template-columns: 1.6rem 1fr auto 8rem;
  gap: 0.5rem;
  align-items: center;
  min-height: 44px;
  border-top: 1px solid var(--line);
}
@media (max-width: 30rem) {
  .remedy {
    grid-template-columns: 1.6rem 1fr auto;
    row-gap: 0;
    padding: 0.35rem 0;
  }
  .remedy > .small {
    grid-column: 2 / -1;
  }
}
.before {
  border-left: 5px solid var(--ink);
  padding-left: 0.7rem;
  font-size: 0.95rem;
}
.beside {
  display: grid;
  gap: 0.3rem;
  justify-items: start;
  margin-top: 0.4rem;
}
.ends {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
  gap: 0.6rem;
}
.ends > :first-child {
  grid-column: 1 / -1;
}
.caution {
  color: var(--danger);
  font-size: 0.9rem;
}
</style>
