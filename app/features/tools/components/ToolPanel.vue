<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { DEFAULT_UNIT, fromSi, type ReadingShape } from '../../../../core/foundation/quantity'
import { findTool, toolsFor } from '../../../../core/measuring'
import type { MeterReads } from '../../../../core/metering'
import { toolWords } from '../../../../core/words'
import { MeterPanel } from '../../meter'
import OneTool from './OneTool.vue'

/** The tools that help with one reading of a job; what they come to is entered as if it had been typed there. */
const props = defineProps<{
  shape: ReadingShape
  /** What a linked meter has to read for it; left out, none helps. */
  reads?: MeterReads | undefined
  title: string
}>()
const emit = defineEmits<{ use: [text: string] }>()
const LINKED = 'meter'
const ids = computed(() => [...(props.reads ? [LINKED] : []), ...toolsFor(props.shape).filter((id) => findTool(id))])
const chosen = ref<string>()
watch(ids, (now) => !now.includes(chosen.value ?? '') && (chosen.value = now.length === 1 ? now[0] : undefined), {
  immediate: true,
})
/** As precise as a reading is ever written. */
const DIGITS = 5
function use(si: number): void {
  if (props.shape.type !== 'number') return
  const unit = DEFAULT_UNIT[props.shape.dimension]
  emit('use', `${Number(fromSi(si, unit).toPrecision(DIGITS))} ${unit.symbol}`)
}
</script>

<template>
  <div class="panel">
    <div v-if="ids.length > 1" class="chips" role="group" aria-label="Which tool">
      <button
        v-for="id in ids"
        :key="id"
        type="button"
        class="chip"
        :aria-pressed="id === chosen"
        @click="chosen = id === chosen ? undefined : id"
      >
        {{ id === LINKED ? 'Linked meter' : toolWords(id).title }}
      </button>
    </div>
    <MeterPanel v-if="chosen === LINKED" :title="title" :reads="reads" @take="use" />
    <OneTool
      v-else-if="chosen"
      :id="chosen"
      :key="chosen"
      :shape="shape"
      @use="use"
      @times="(clean, of) => emit('use', `${clean}/${of}`)"
    />
  </div>
</template>

<style scoped>
.panel {
  display: grid;
  gap: 0.6rem;
}
</style>
