<script setup lang="ts">
import Select from 'primevue/select'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import type { Ladder } from '../../../../../core/diagram'
import type { MachineFacts } from '../../../../engine'
import LadderDrawing from '../drawings/LadderDrawing.vue'

/** Any meter between any two points at any moment. */
const props = defineProps<{
  facts: Pick<MachineFacts, 'parts' | 'moments' | 'meters'>
  ladder: Ladder | undefined
  /** Why the last choice was refused. */
  refused: string
}>()
const emit = defineEmits<{ probe: [text: string, instrument: string] }>()

const points = computed(() =>
  props.facts.parts.flatMap((p) => p.terminals.map((t) => ({ id: `${p.id}.${t}`, title: `${p.title} · ${t}` }))),
)
const meter = ref(props.facts.meters[0]?.id ?? '')
const dead = computed(() => props.facts.meters.find((m) => m.id === meter.value)?.dead ?? false)
const moments = computed(() => props.facts.moments.filter((m) => (m.id === 'off') === dead.value))
const a = ref<string>()
const b = ref<string>()
const moment = ref<string>()
watch(moments, (list) => (moment.value = list[0]?.id), { immediate: true })
/** The tip that the next tap places: one, then the other, then the first anew. */
function pick(point: string) {
  if (point === a.value) a.value = undefined
  else if (point === b.value) b.value = undefined
  else if (a.value === undefined) a.value = point
  else if (b.value === undefined) b.value = point
  else [a.value, b.value] = [point, undefined]
}
const open = ref(false)
const ready = computed(() => a.value && b.value && moment.value && a.value !== b.value)
</script>

<template>
  <details class="probe" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>Probe between any two points</summary>
    <template v-if="open && ladder">
      <p class="small soft">Tap two points, or choose them below.</p>
      <LadderDrawing :ladder="ladder" :parts="facts.parts" :first="a" :second="b" @pick="pick" />
    </template>
    <form @submit.prevent="ready && emit('probe', `${a} to ${b} at ${moment}`, meter)">
      <label
        >Meter
        <Select v-model="meter" :options="facts.meters" option-label="title" option-value="id" aria-label="Meter" fluid
      /></label>
      <label
        >One probe on
        <Select
          v-model="a"
          :options="points"
          option-label="title"
          option-value="id"
          filter
          aria-label="One probe on"
          fluid
      /></label>
      <label
        >The other on
        <Select
          v-model="b"
          :options="points"
          option-label="title"
          option-value="id"
          filter
          aria-label="The other on"
          fluid
      /></label>
      <label
        >Read it
        <Select v-model="moment" :options="moments" option-label="title" option-value="id" aria-label="Moment" fluid
      /></label>
      <p v-if="refused" role="alert">{{ refused }}</p>
      <Button type="submit" severity="secondary" :disabled="!ready">Show what it should read</Button>
    </form>
  </details>
</template>

<style scoped>
summary {
  font-weight: 600;
}
form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
  gap: 0.6rem;
}
label {
  display: grid;
  gap: 0.2rem;
  font-size: 0.9rem;
  min-width: 0;
}
</style>
