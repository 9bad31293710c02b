<script setup lang="ts">
import { computed } from 'vue'
import type { View } from '../../../../../core/advice'
import { LINK_WORDS, spokenLink } from '../../link-words'

/** A part of the machine with how it stands: by shape, by word, and by how far it is filled. */
const props = defineProps<{
  title: string
  line: 'water' | 'power' | 'level'
  link: View['links'][number] | undefined
  /** The test on the card looks here. */
  next: boolean
}>()
const state = computed(() => props.link?.state ?? 'untested')
const fill = computed(() => {
  const { link } = props
  if (!link) return 0
  return state.value === 'suspect' ? link.p : state.value === 'intermittent' ? link.restingProbability : 0
})
</script>

<template>
  <button
    type="button"
    class="part"
    :class="[line, state, { next }]"
    :aria-label="`${title}: ${spokenLink(link)}${next ? ', the test on the card looks here' : ''}`"
  >
    <span v-if="fill" class="fill fade" aria-hidden="true" :style="{ width: `${Math.max(5, fill * 100)}%` }" />
    <span class="name">{{ title }}</span>
    <!-- Its line is there in every state: the name stands still. -->
    <span :key="state" class="word"><template v-if="state === 'proven'">✓ </template>{{ LINK_WORDS[state] }}</span>
    <span v-if="next" class="tips" aria-hidden="true">▲ ▲</span>
  </button>
</template>

<style scoped>
.part {
  position: relative;
  z-index: 0;
  display: grid;
  align-content: center;
  justify-items: center;
  padding: 2px 5px;
  border: 1.5px solid currentcolor;
  border-radius: 8px;
  background: var(--card);
  font-size: 12px;
  line-height: 1.08;
  text-align: center;
  cursor: pointer;
  overflow-wrap: anywhere;
}
.water {
  color: var(--water);
}
.power {
  color: var(--power);
  border-radius: 2px;
}
.level {
  color: var(--level);
  border-radius: 24px;
}
.name,
.word {
  color: var(--ink);
}
.word {
  min-height: 1.08em;
  font-weight: 700;
  font-size: 11px;
}
.fill {
  position: absolute;
  inset: 0 auto 0 0;
  z-index: -1;
  border-radius: inherit;
  background: color-mix(in srgb, currentcolor 34%, var(--card));
  border-right: 2px solid currentcolor;
}
.suspect {
  border: 2.5px dashed currentcolor;
}
.intermittent {
  border: 3px dotted currentcolor;
}
.proven {
  border-width: 3.5px;
}
.bypassed {
  border: 4px double var(--ink);
}
.faulty {
  border: 2.5px solid var(--ink);
  background: var(--ink);
}
.faulty .name,
.faulty .word {
  color: var(--card);
}
.next {
  outline: 3px solid var(--ink);
  outline-offset: 1px;
}
.part:focus-visible {
  outline: 4px solid var(--good);
  outline-offset: 2px;
}
.tips {
  position: absolute;
  bottom: -13px;
  white-space: nowrap;
  font-size: 10px;
  letter-spacing: 5.5em;
  margin-right: -5.5em;
  color: var(--ink);
}
</style>
