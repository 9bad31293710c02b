<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { ref } from 'vue'
import type { Job } from '../../../../../core/job'
import { formatTime, UndoButton } from '../../../../ui'

/** What is worth writing down besides readings, for the own people or for the customer. */
defineProps<{ remarks: Job['remarks']; locked: boolean; timeZone: string }>()
const emit = defineEmits<{ add: [text: string, to: 'customer' | 'us']; undo: [event: string] }>()
const text = defineModel<string>('text', { required: true })
const to = ref<'us' | 'customer'>('us')
function add() {
  if (!text.value.trim()) return
  emit('add', text.value.trim(), to.value)
  text.value = ''
}
</script>

<template>
  <section class="card remarks" aria-label="Remarks">
    <h2>Remarks</h2>
    <ul v-if="remarks.length">
      <li v-for="r in remarks" :key="r.event">
        <span
          >{{ r.text }}
          <span class="soft small"
            >{{ r.to === 'customer' ? 'for the customer' : 'for us' }} · {{ r.by }},
            {{ formatTime(r.at, timeZone) }}</span
          ></span
        >
        <UndoButton v-if="!locked" label="Undo this remark" @click="emit('undo', r.event)" />
      </li>
    </ul>
    <form v-if="!locked" @submit.prevent="add">
      <InputText
        v-model="text"
        maxlength="4000"
        fluid
        aria-label="A remark"
        placeholder="Noise at start, told the customer …"
      />
      <div class="row">
        <div class="chips" role="radiogroup" aria-label="For whom">
          <button type="button" role="radio" class="chip" :aria-checked="to === 'us'" @click="to = 'us'">for us</button>
          <button type="button" role="radio" class="chip" :aria-checked="to === 'customer'" @click="to = 'customer'">
            for the customer
          </button>
        </div>
        <Button type="submit" class="push" severity="secondary">Note it</Button>
      </div>
    </form>
    <slot />
  </section>
</template>

<style scoped>
.remarks,
form {
  display: grid;
  gap: 0.5rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  gap: 0.5rem;
  justify-content: space-between;
  align-items: center;
  border-top: 1px solid var(--line);
}
</style>
