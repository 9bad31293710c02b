<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import type { View } from '../../../../../core/advice'
import type { Contact, MachineFacts } from '../../../../engine'

const props = defineProps<{
  tests: MachineFacts['tests']
  view: View
  part: number
  parts: MachineFacts['parts']
  /** What is known of bridging the part that is picked, once that has been looked into. */
  contact: Contact | undefined
  /** Ids of parts with a jumper across them, and of those parted by hand. */
  jumpers: string[]
  parted: string[]
  /** Whether hands may go into the machine: the safety steps are confirmed and the job is open. */
  handsOn: boolean
}>()
const emit = defineEmits<{
  choose: [test: string]
  clear: []
  act: [verb: 'jumper' | 'unjumper' | 'unplug' | 'plug', part: string]
}>()
const own = computed(() => (props.part < 0 ? undefined : props.parts[props.part]))
const lets = computed(() => props.contact?.lets.join(', the ') ?? '')
const search = ref('')
/** Rows that are shown before somebody asks for all. */
const FIRST = 12
const all = ref(false)
const pick = (test: string) => {
  search.value = ''
  emit('choose', test)
}
const rows = computed(() => {
  const worth = new Map(props.view.next.map((n, i) => [n.id, { ...n, rank: i }]))
  const words = search.value.toLowerCase().split(/\s+/)
  return props.tests
    .filter((t) => (props.part < 0 || t.part === props.part) && words.every((w) => t.title.toLowerCase().includes(w)))
    .map((t) => ({ ...t, worth: worth.get(t.id) }))
    .sort((a, b) => (a.worth?.rank ?? 1e4) - (b.worth?.rank ?? 1e4))
})
const shown = computed(() => (all.value || props.part >= 0 ? rows.value : rows.value.slice(0, FIRST)))
</script>

<template>
  <section class="card chooser" aria-label="All tests">
    <div class="row">
      <h2>{{ part < 0 ? 'A test of your own choice' : `Tests of the ${parts[part]?.title}` }}</h2>
      <button v-if="part >= 0" type="button" class="word-button push" @click="emit('clear')">All tests</button>
    </div>
    <div v-if="own && (own.byHand || contact?.mayBeBridged || lets)" class="acts">
      <Button
        v-if="own.byHand"
        severity="secondary"
        :disabled="!handsOn"
        @click="emit('act', parted.includes(own.id) ? 'plug' : 'unplug', own.id)"
        >{{ parted.includes(own.id) ? 'Put it back as it was' : 'Note: pulled off, shut or opened by hand' }}</Button
      >
      <Button
        v-if="contact?.mayBeBridged"
        severity="secondary"
        :disabled="!handsOn"
        @click="emit('act', jumpers.includes(own.id) ? 'unjumper' : 'jumper', own.id)"
        >{{ jumpers.includes(own.id) ? 'Note: jumper taken out' : 'Note: jumper fitted across it' }}</Button
      >
      <p v-if="contact?.mayBeBridged && lets" class="small" role="note" aria-label="What it lets run">
        It lets the {{ lets }} run: only as the sheet's own test says, hands clear.
      </p>
      <p v-else-if="lets" class="small" role="note" aria-label="Not bridged">
        Not bridged: it lets the {{ lets }} run. Prove dead what lies behind it, or put right what it waits for.
      </p>
      <p v-if="own.byHand || contact?.mayBeBridged" class="small soft">
        {{
          handsOn
            ? 'Fused lead, fitted and taken out dead. Later readings are judged with it in place.'
            : 'Only after all safety steps of a live test are confirmed.'
        }}
      </p>
    </div>
    <InputText v-model="search" placeholder="Search: cold, ohms, hum …" aria-label="Search tests" fluid />
    <p v-if="!rows.length" class="soft">No test of that name.</p>
    <ul>
      <li v-for="t in shown" :key="t.id">
        <button type="button" @click="pick(t.id)">
          <span>{{ t.title }}</span>
          <span class="small soft">{{ t.when }}</span>
          <span class="small worth">{{
            t.worth
              ? `spares ${t.worth.saving.toFixed(0)} min of work and parts, takes ${t.worth.minutes.toFixed(1)} min`
              : 'tells nothing new'
          }}</span>
        </button>
      </li>
    </ul>
    <button v-if="shown.length < rows.length" type="button" class="word-button" @click="all = true">
      All {{ rows.length }} of them
    </button>
    <slot />
  </section>
</template>

<style scoped>
.acts {
  display: grid;
  gap: 0.5rem;
}
.chooser {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.6rem;
  align-content: start;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 22rem;
  overflow: auto;
}
li button {
  width: 100%;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  column-gap: 0.8rem;
  text-align: left;
  border: 0;
  border-top: 1px solid var(--line);
  background: none;
  padding: 0.5rem 0.2rem;
  min-height: 48px;
  cursor: pointer;
}
li button:hover {
  background: var(--shade);
}
/* Beside the name where there is room for both. */
@media (min-width: 601px) {
  li button {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .worth {
    grid-row: 1;
    grid-column: 2;
  }
}
</style>
