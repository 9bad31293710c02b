<script setup lang="ts">
import { computed } from 'vue'
import { AppIcon } from '../../../../ui'
import type { RepairGuide } from '../../../../../core/advice'

/** How a repair is done: got at, step by step, what is looked at while it is open, the part, and how it is proved first. */
const props = defineProps<{ guide: RepairGuide }>()
const part = computed(() =>
  [
    ['Part', props.guide.partNumber ?? ''],
    ['In the kit', props.guide.kit.join(', ')],
    ['May stand in', props.guide.substitutes.join('; ')],
    ['While it is open', props.guide.lookAt.join('; ')],
    ['Proved first', props.guide.proved ?? ''],
    ['For now', props.guide.interim ? `${props.guide.interim.text}; done for good ${props.guide.interim.until}` : ''],
  ].filter(([, text]) => text),
)
const instead = computed(() =>
  props.guide.instead.map((r) => `${r.title} (${r.minutes} min${r.price ? `, part ${r.price}` : ''})`).join('; '),
)
const says = computed(
  () => props.guide.access.length || props.guide.steps.length || part.value.length || props.guide.bench.length,
)
</script>

<template>
  <section v-if="says || instead" class="guide" aria-label="How it is done">
    <ul v-if="guide.access.length" class="plain small" aria-label="How it is got at">
      <li v-for="a in guide.access" :key="a">{{ a }}</li>
    </ul>
    <p v-if="guide.steps.length" class="small soft">
      {{
        guide.usual
          ? "The usual way with such a part. Where the maker's papers say otherwise, they count."
          : `From: ${guide.source}`
      }}
    </p>
    <ol v-if="guide.steps.length" aria-label="Steps">
      <li v-for="s in guide.steps" :key="s.text">
        {{ s.text }}
        <span v-if="s.caution" class="bites"><AppIcon name="danger" /> {{ s.caution }}</span>
      </li>
    </ol>
    <dl v-if="part.length" class="small">
      <template v-for="[name, text] in part" :key="name">
        <dt>{{ name }}</dt>
        <dd>{{ text }}</dd>
      </template>
    </dl>
    <details v-if="guide.bench.length" class="small">
      <summary>On the bench</summary>
      <p v-for="b in guide.bench" :key="b">{{ b }}</p>
    </details>
    <p v-if="instead" class="small"><strong>Or instead:</strong> {{ instead }}.</p>
  </section>
</template>

<style scoped>
.guide {
  display: grid;
  gap: 0.5rem;
  border-left: 5px solid var(--line);
  padding-left: 0.7rem;
}
ol,
ul,
dl,
p {
  margin: 0;
}
ol {
  padding-left: 1.4rem;
}
li {
  padding: 0.1rem 0;
}
.plain {
  list-style: none;
  padding: 0;
  color: var(--soft);
}
.bites {
  display: block;
  color: var(--danger);
  font-size: 0.9rem;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 0.15rem 0.8rem;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  text-decoration: underline;
}
details p + p {
  margin-top: 0.4rem;
}
@media (max-width: 30rem) {
  dl {
    grid-template-columns: 1fr;
  }
}
</style>
