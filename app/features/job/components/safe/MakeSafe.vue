<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { AppIcon, HoldButton } from '../../../../ui'
import type { MachineFacts } from '../../../../engine'

/** The steps before an act of the hands, one after another, each held. */
const props = defineProps<{
  steps: Pick<MachineFacts['makeSafe'][number], 'id' | 'title' | 'text' | 'does'>[]
  before: string
  /** What is still off or in: said where power or water is about to go back. */
  left?: readonly string[]
}>()
const emit = defineEmits<{ done: [step: string] }>()
const first = computed(() => props.steps[0])
const button = useTemplateRef<{ press(): void; release(): void }>('button')
defineExpose({ press: () => button.value?.press(), release: () => button.value?.release() })
</script>

<template>
  <!-- Each step is a sheet of its own, and its button stands where that of the one before stood. -->
  <section :key="first?.id" class="safe" aria-label="Make safe">
    <h3>
      <AppIcon name="danger" /> Make it safe first: {{ steps.length }}
      {{ steps.length === 1 ? 'step' : 'steps' }} before {{ before }}
    </h3>
    <template v-if="first">
      <p class="text">
        <strong>{{ first.title }}.</strong> {{ first.text }}
      </p>
      <p
        v-if="left?.length && (first.does === 'gives-back' || first.does === 'opens-water')"
        class="small"
        role="note"
        aria-label="Still off or in"
      >
        <strong>Still off or in:</strong> {{ left.join('; ') }}.
      </p>
    </template>
    <p v-if="steps.length > 1" class="small soft then">
      Then:
      {{
        steps
          .slice(1)
          .map((s) => s.title)
          .join(' · ')
      }}
    </p>
    <div v-if="first" class="do">
      <HoldButton ref="button" @held="emit('done', first.id)">Done: {{ first.title }} <kbd>S</kbd></HoldButton>
    </div>
  </section>
</template>

<style scoped>
.safe {
  border: 2px solid var(--danger);
  border-radius: var(--radius);
  padding: 0.7rem;
  display: flex;
  flex-direction: column;
  gap: 0.5rem;
  height: 100%;
  overflow-y: auto;
}
.do {
  position: sticky;
  bottom: 0;
  margin-top: auto;
  background: var(--card);
}
h3 {
  color: var(--danger);
}
</style>
