<script setup lang="ts">
import { computed, onMounted, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import { NuxtLink } from '#components'
import { useSession } from '../../session'

/** The rooms of the shop; one stands here only when it works. */
const session = useSession()
const ROOMS = [
  { to: '/shop/schedule', title: 'Schedule' },
  { to: '/shop/parts', title: 'Parts' },
  { to: '/shop/figures', title: 'Figures' },
  { to: '/shop/files', title: 'In and out' },
  { to: '/shop/people', title: 'People', lead: true },
  { to: '/shop/rules', title: 'Rules', lead: true },
]
const rooms = computed(() => ROOMS.filter((r) => !r.lead || session.person?.role === 'lead'))
const route = useRoute()
const here = (to: string) => route.path === to || route.path.startsWith(`${to}/`)

// On a phone the room that is open may stand beyond the edge.
const bar = useTemplateRef('bar')
onMounted(() => bar.value?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' }))
</script>

<template>
  <nav ref="bar" class="rooms" aria-label="Shop">
    <NuxtLink v-for="r in rooms" :key="r.to" :to="r.to" :aria-current="here(r.to) ? 'page' : undefined">{{
      r.title
    }}</NuxtLink>
  </nav>
</template>

<style scoped>
.rooms {
  display: flex;
  gap: 0.2rem;
  max-width: 1280px;
  margin: 0 auto;
  padding: 0.3rem 1rem 0;
  overflow-x: auto;
}
.rooms a {
  display: grid;
  align-items: center;
  min-height: 44px;
  padding: 0 0.9rem;
  color: inherit;
  white-space: nowrap;
  text-decoration: none;
  border-bottom: 4px solid transparent;
}
.rooms a[aria-current] {
  border-bottom-color: var(--ink);
  font-weight: 700;
}
</style>
