<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref, shallowRef, watch } from 'vue'
import { clockText, readClock } from '../../../../core/schedule'
import { describeReason } from '../../../../core/words'
import type { Visit, VisitFields } from '../../../../shared/contracts/schedule'
import { NuxtLink } from '#components'
import type { ToPlace } from '../use-week'

/** When, by whom and for how long: a visit that stands, or one that is asked for. */
const props = defineProps<{
  visit: Visit | undefined
  item: ToPlace | undefined
  people: { id: string; name: string }[]
  /** The day that is shown. */
  shownDay: string
  proposal: { minutes: number; start: number } | undefined
  locked: boolean
  busy: boolean
}>()
/** What the form says of it. */
type Written = Pick<VisitFields, 'person' | 'day' | 'start' | 'minutes' | 'note' | 'version'>
const emit = defineEmits<{
  keep: [fields: Written]
  end: [ended: VisitFields['ended']]
  close: []
  person: [id: string]
}>()
const about = computed(() => props.visit ?? props.item)
const person = ref('')
const day = ref('')
const time = ref('')
const minutes = ref('')
const note = ref('')
/** The visit as it stood when this form was filled: what others change meanwhile is not overwritten. */
const base = shallowRef<Visit>()
function take() {
  const { visit } = props
  base.value = visit
  if (!visit) return
  person.value = visit.person
  day.value = visit.day
  time.value = clockText(visit.start)
  minutes.value = String(visit.minutes)
  note.value = visit.note
}
watch(() => props.visit?.id, take, { immediate: true })
const stale = computed(() => props.visit !== undefined && props.visit.version !== base.value?.version)
watch(
  () => props.proposal,
  (proposal) => {
    if (props.visit || !proposal) return
    day.value = props.shownDay
    time.value = clockText(proposal.start)
    minutes.value = String(proposal.minutes)
  },
  { immediate: true },
)
watch(
  () => props.item,
  (item) => item && (person.value ||= props.people[0]?.id ?? ''),
  { immediate: true },
)
const start = computed(() => readClock(time.value))
const length = computed(() => (/^\d{1,3}$/.test(minutes.value.trim()) ? Number(minutes.value) : NaN))
const sound = computed(
  () =>
    start.value !== undefined && length.value >= 5 && length.value <= 720 && day.value !== '' && person.value !== '',
)
const fields = (): Written => ({
  person: person.value,
  day: day.value,
  start: start.value!,
  minutes: length.value,
  note: note.value.trim(),
  version: base.value?.version ?? 0,
})
</script>

<template>
  <form v-if="about" class="card form" aria-label="Visit" @submit.prevent="sound && emit('keep', fields())">
    <div class="row">
      <h2>{{ about.unit.title }}</h2>
      <Button type="button" class="push" text severity="secondary" @click="emit('close')">Close</Button>
    </div>
    <p class="small">
      {{ describeReason(about.reason) }}: {{ about.about }}. {{ about.unit.customer }}, {{ about.unit.place }}.
      <template v-if="item?.says">{{ item.says }}</template>
      <strong v-if="item?.come"> What it waited for has come.</strong>
    </p>
    <p v-if="stale" role="alert" class="row">
      Somebody else has changed this visit meanwhile.
      <Button type="button" severity="secondary" @click="take">Show it as it is now</Button>
    </p>
    <div class="fields">
      <label class="field"
        ><span class="small">Who</span>
        <Select
          v-model="person"
          :options="people"
          option-label="name"
          option-value="id"
          aria-label="Who"
          :disabled="locked"
          @update:model-value="emit('person', $event)"
      /></label>
      <label class="field"
        ><span class="small">Day</span>
        <input v-model="day" type="date" class="p-inputtext" aria-label="Day" :disabled="locked"
      /></label>
      <label class="field"
        ><span class="small">From</span>
        <InputText v-model="time" aria-label="From" :invalid="start === undefined" :disabled="locked"
      /></label>
      <label class="field"
        ><span class="small">Minutes</span>
        <InputText
          v-model="minutes"
          inputmode="numeric"
          aria-label="Minutes"
          :invalid="!(length >= 5 && length <= 720)"
          :disabled="locked"
      /></label>
      <label class="field wide"
        ><span class="small">To know</span>
        <InputText v-model="note" aria-label="To know" maxlength="500" :disabled="locked"
      /></label>
    </div>
    <p v-if="item?.job" class="small soft">Its length is what the engine expects of this call as it stands.</p>
    <div class="row">
      <template v-if="!locked">
        <Button type="submit" :disabled="!sound || stale" :loading="busy">{{ visit ? 'Keep it' : 'Place it' }}</Button>
        <template v-if="visit && visit.ended === null">
          <Button type="button" severity="secondary" @click="emit('end', 'done')">Done</Button>
          <Button type="button" severity="secondary" @click="emit('end', 'cancelled')">Call it off</Button>
        </template>
        <Button v-else-if="visit" type="button" severity="secondary" @click="emit('end', null)">Not done yet</Button>
      </template>
      <NuxtLink v-if="about.job" :to="`/jobs/${about.job}`" class="push">Open the job</NuxtLink>
      <NuxtLink v-else :to="`/machines/${about.unit.id}`" class="push">Open the machine</NuxtLink>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 0.7rem;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(8rem, 1fr));
  gap: 0.6rem;
}
.wide {
  grid-column: 1 / -1;
}
</style>
