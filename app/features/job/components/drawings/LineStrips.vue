<script setup lang="ts">
import { nextTick, onMounted, useTemplateRef, watch } from 'vue'
import type { View } from '../../../../../core/advice'
import type { Strips } from '../../../../../core/diagram/layout'
import type { MachineFacts } from '../../../../engine'
import PartBox from './PartBox.vue'

/** The three lines of the machine one under the other, each to be pushed along; they come to one part. */
const props = defineProps<{
  strips: Strips
  parts: MachineFacts['parts']
  links: ReadonlyMap<number, View['links'][number]>
  next: number
  /** The part that they come to. */
  at: number
}>()
const emit = defineEmits<{ pick: [part: number] }>()
const TITLES = { water: 'Water', power: 'Power', level: 'Level' } as const
const box = useTemplateRef<HTMLElement>('box')

async function come() {
  await nextTick()
  for (const strip of box.value?.querySelectorAll<HTMLElement>('.strip') ?? []) {
    const at = strip.querySelector<HTMLElement>(`[data-part="${props.at}"]`)
    // Within the strip alone: the page does not move.
    if (at) strip.scrollLeft = at.offsetLeft - (strip.clientWidth - at.offsetWidth) / 2
  }
}
onMounted(come)
watch(() => props.at, come)
</script>

<template>
  <div ref="box" class="strips">
    <section v-for="(own, line) in strips" :key="line" :aria-label="`${TITLES[line]} line`">
      <h3 :class="line">{{ TITLES[line] }}</h3>
      <div class="strip" tabindex="-1">
        <PartBox
          v-for="p in own"
          :key="p"
          class="link"
          :data-part="p"
          :title="parts[p]?.title ?? ''"
          :line="line"
          :link="links.get(p)"
          :next="p === next"
          @click="emit('pick', p)"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.strips {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.3rem;
}
h3 {
  font-size: 0.82rem;
}
h3.water {
  color: var(--water);
}
h3.power {
  color: var(--power);
}
h3.level {
  color: var(--level);
}
.strip {
  position: relative;
  display: flex;
  gap: 14px;
  overflow-x: auto;
  padding: 4px 4px 14px;
}
.link {
  flex: none;
  width: 112px;
  min-height: 56px;
}
</style>
