<script setup lang="ts">
import { computed, onScopeDispose, shallowRef } from 'vue'
import type { z } from 'zod'
import { clashesIn, clockText } from '../../../../core/schedule'
import { listVisits } from '../../../../shared/contracts/schedule'
import { fetchOrKept } from '../../../data/fetched'
import { hear } from '../../../data/tabs'
import { useSession } from '../../session'
import { NuxtLink } from '#components'
import VisitCard from './VisitCard.vue'

/** One's own visits of today in their order; without a connection as they were last. */
const session = useSession()
const shown = shallowRef<z.infer<(typeof listVisits)['answer']>>()
const load = () =>
  fetchOrKept(session.person!.id, 'today:visits', listVisits, { query: { days: 2, mine: 'true' } }).then(
    ({ value }) => (shown.value = value),
    () => undefined,
  )
void load()
onScopeDispose(hear(({ type }) => (type === 'again' || type === 'job') && void load()))
const visits = computed(() => (shown.value?.visits ?? []).filter((v) => v.day === shown.value!.today))
const tomorrow = computed(() => (shown.value?.visits ?? []).filter((v) => v.day !== shown.value!.today))
const clashes = computed(() =>
  shown.value
    ? clashesIn(
        visits.value.filter((v) => v.ended === null),
        shown.value.work,
      )
    : new Map<string, never>(),
)
</script>

<template>
  <section v-if="visits.length || tomorrow.length" class="visits" aria-label="My visits">
    <h2>My visits</h2>
    <p v-if="!visits.length" class="soft">None today.</p>
    <ol v-else class="plain-list" aria-label="Visits of today">
      <li v-for="v in visits" :key="v.id">
        <NuxtLink :to="v.job ? `/jobs/${v.job}` : `/machines/${v.unit.id}`" class="card line"
          ><VisitCard :visit="v" :clash="clashes.get(v.id)"
        /></NuxtLink>
      </li>
    </ol>
    <p v-if="tomorrow.length" class="small soft">
      Tomorrow {{ tomorrow.length }}, from {{ clockText(tomorrow[0]!.start) }} on: {{ tomorrow[0]!.unit.title }},
      {{ tomorrow[0]!.unit.customer }}.
    </p>
  </section>
</template>

<style scoped>
.visits {
  display: grid;
  gap: 0.5rem;
}
ol {
  display: grid;
  gap: 0.4rem;
}
.line {
  display: block;
  padding: 0.6rem 0.8rem;
  color: inherit;
  text-decoration: none;
}
</style>
