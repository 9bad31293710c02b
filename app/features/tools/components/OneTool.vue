<script setup lang="ts">
import { computed } from 'vue'
import type { ReadingShape } from '../../../../core/foundation/quantity'
import { useTool } from '../use-tool'
import ToolFields from './ToolFields.vue'
import ToolResults from './ToolResults.vue'

/** One tool beside a reading. */
const props = defineProps<{ id: string; shape: ReadingShape }>()
const emit = defineEmits<{ use: [si: number]; times: [clean: number, of: number] }>()
const state = useTool(props.id)
const fits = (o: { reads?: true; dimension: string }) =>
  o.reads === true && props.shape.type === 'number' && props.shape.dimension === o.dimension
/** Times worked and misses, where that is what is read. */
const counted = computed(() => {
  if (props.shape.type !== 'times' || props.id !== 'count' || !state.result.value?.outcomes.length) return undefined
  const { times, misses } = state.entered.value.values
  return { clean: Math.round(times!) - Math.round(misses!), of: Math.round(times!) }
})
</script>

<template>
  <section class="one" :aria-label="state.words.title">
    <ToolFields :state="state" />
    <ToolResults :state="state">
      <template #outcome="{ outcome }">
        <button v-if="fits(outcome)" type="button" class="chip" @click="emit('use', outcome.value)">
          Use as the reading
        </button>
      </template>
    </ToolResults>
    <button v-if="counted" type="button" class="chip" @click="emit('times', counted.clean, counted.of)">
      Use as the reading: {{ counted.clean }} of {{ counted.of }}
    </button>
  </section>
</template>

<style scoped>
.one {
  display: grid;
  gap: 0.6rem;
}
</style>
