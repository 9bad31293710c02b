<script setup lang="ts">
import { computed } from 'vue'
import type { View } from '../../../../../core/advice'
import type { MachineFacts } from '../../../../engine'
import { NuxtLink } from '#components'
import ChanceBar from '../drawings/ChanceBar.vue'

/** What a call says before anybody has left: what is likely, what to carry, what bites, and what was done there before. */
const props = defineProps<{
  facts: MachineFacts
  view: View
  visits: { id: string; title: string; when: string }[]
}>()
/** Chance from which a part is worth its place in the van. */
const CARRIED_FROM = 0.04
const likely = computed(() => props.view.groups.slice(0, 4))
const carry = computed(() => props.view.groups.filter((g) => g.price > 0 && g.p >= CARRIED_FROM).map((g) => g.title))
</script>

<template>
  <section class="card at-once" aria-label="At once">
    <div>
      <h3>Likely</h3>
      <ul>
        <li v-for="g in likely" :key="g.title" class="likely"><ChanceBar :p="g.p" />{{ g.title }}</li>
      </ul>
    </div>
    <div>
      <h3>To carry</h3>
      <p>{{ carry.length ? carry.join(', ') : 'Nothing in particular: meter, tester, screens.' }}</p>
    </div>
    <div>
      <h3>What bites here</h3>
      <ul class="plain">
        <li v-for="c in facts.cautions" :key="c">{{ c }}</li>
      </ul>
    </div>
    <div v-if="visits.length">
      <h3>Last visits</h3>
      <ul class="plain">
        <li v-for="v in visits" :key="v.id">
          <NuxtLink :to="`/jobs/${v.id}`">{{ v.title }}</NuxtLink> <span class="soft small">{{ v.when }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.at-once {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
  gap: 0.8rem 1.4rem;
}
ul {
  list-style: none;
  margin: 0.2rem 0 0;
  padding: 0;
}
.plain li {
  padding: 0.1rem 0;
  font-size: 0.92rem;
}
/* A second line stands below the first, not below the bar. */
.likely {
  display: grid;
  grid-template-columns: auto 1fr;
  align-items: baseline;
  gap: 0.5rem;
}
</style>
