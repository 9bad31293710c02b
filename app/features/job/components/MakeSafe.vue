<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { AppIcon } from '../../../ui'
const props = defineProps<{ steps: { id: string; title: string; text: string }[]; work: string }>()
const emit = defineEmits<{ done: [step: string] }>()
const first = computed(() => props.steps[0])
</script>

<template>
  <section class="safe" aria-label="Make safe">
    <h3>
      <AppIcon name="danger" /> Make it safe first: {{ steps.length }}
      {{ steps.length === 1 ? 'step' : 'steps' }} before this {{ work }} test
    </h3>
    <div v-if="first" class="step">
      <p>
        <strong>{{ first.title }}.</strong> {{ first.text }}
      </p>
      <Button class="do" @click="emit('done', first.id)">Done: {{ first.title }} <kbd>S</kbd></Button>
    </div>
    <ol v-if="steps.length > 1" class="small soft">
      <li v-for="s in steps.slice(1)" :key="s.id">{{ s.title }}</li>
    </ol>
  </section>
</template>

<style scoped>
.safe {
  border: 2px solid var(--danger);
  border-radius: var(--radius);
  padding: 0.8rem;
  display: grid;
  gap: 0.6rem;
}
h3 {
  color: var(--danger);
}
.step {
  display: grid;
  gap: 0.6rem;
}
ol {
  margin: 0;
  padding-left: 1.3rem;
}
</style>
