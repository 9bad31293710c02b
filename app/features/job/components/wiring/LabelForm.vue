<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, useTemplateRef } from 'vue'
import type { MachineFacts } from '../../../../engine'

type Connection = MachineFacts['connections'][number]
export interface Label {
  name: string
  colour?: string
  terminal?: string
}

/** Names a connector or a wire before it comes off, with what the sheet knows of it. */
const props = defineProps<{
  connections: Connection[]
  /** Names that stand on labels already. */
  labelled: readonly string[]
  /** Whether a place on a photo is waiting for its name. */
  placed: boolean
}>()
const emit = defineEmits<{ add: [label: Label] }>()
const form = reactive({ name: '', colour: '', terminal: '' })
const field = useTemplateRef<HTMLElement>('field')
const offered = computed(() => props.connections.filter((c) => !props.labelled.includes(c.title)))
const twins = computed(() => props.connections.find((c) => c.title === form.name.trim())?.twins ?? [])

function fill(c: Connection) {
  form.name = c.title
  form.colour = c.colours.join(', ')
  form.terminal = c.joins.join(', ').slice(0, 120)
}
function add() {
  const [name, colour, terminal] = [form.name.trim(), form.colour.trim(), form.terminal.trim()]
  if (!name) return
  emit('add', { name, ...(colour ? { colour } : {}), ...(terminal ? { terminal } : {}) })
  Object.assign(form, { name: '', colour: '', terminal: '' })
}
defineExpose({ focus: () => field.value?.querySelector('input')?.focus() })
</script>

<template>
  <form class="label-form" aria-label="A label" @submit.prevent="add">
    <p v-if="placed" class="small" role="status">Name what you have tapped.</p>
    <div v-if="offered.length" class="chips" role="group" aria-label="From the sheet">
      <button v-for="c in offered" :key="`${c.part} ${c.type}`" type="button" class="chip" @click="fill(c)">
        {{ c.title }}
      </button>
    </div>
    <label ref="field">Connector or wire <InputText v-model="form.name" fluid maxlength="120" /></label>
    <div class="two">
      <label>Colour <InputText v-model="form.colour" fluid maxlength="40" placeholder="brown, white …" /></label>
      <label
        >Goes to <InputText v-model="form.terminal" fluid maxlength="120" placeholder="terminal, plug, pin"
      /></label>
    </div>
    <p v-if="twins.length" class="twin small" role="status">
      <strong>It has a twin:</strong> {{ twins.join(', ') }}. Either fits the other’s place. Label both before one comes
      off.
    </p>
    <Button type="submit" severity="secondary" :disabled="!form.name.trim()">Add the label</Button>
  </form>
</template>

<style scoped>
.label-form {
  display: grid;
  gap: 0.6rem;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.6rem;
}
.twin {
  border-left: 5px solid var(--ink);
  padding-left: 0.7rem;
}
</style>
