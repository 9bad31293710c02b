<script setup lang="ts">
import { AppIcon, type IconName } from '../../../ui'
import { NuxtLink } from '#components'
import { useRoute } from 'vue-router'

/** A place stands here only when it works. */
const PLACES: { to: string; title: string; icon: IconName; wide?: true }[] = [
  { to: '/today', title: 'Today', icon: 'today' },
  { to: '/jobs', title: 'Jobs', icon: 'jobs' },
  { to: '/machines', title: 'Machines', icon: 'machines' },
  // A phone's bar has no room for it: it stands on Today there.
  { to: '/find', title: 'Find', icon: 'find', wide: true },
  { to: '/tools', title: 'Tools', icon: 'tools' },
  { to: '/shop', title: 'Shop', icon: 'shop' },
  { to: '/me', title: 'Me', icon: 'me' },
]
const route = useRoute()
/** A place holds everything below its address. */
const here = (to: string) => route.path === to || route.path.startsWith(`${to}/`)
</script>

<template>
  <nav class="places" aria-label="Places">
    <NuxtLink
      v-for="p in PLACES"
      :key="p.to"
      :to="p.to"
      class="place"
      :class="{ here: here(p.to), wide: p.wide }"
      :aria-current="here(p.to) ? 'page' : undefined"
    >
      <AppIcon :name="p.icon" /><span>{{ p.title }}</span>
    </NuxtLink>
  </nav>
</template>

<style scoped>
.places {
  display: flex;
  flex-direction: column;
  gap: 0.3rem;
}
.place {
  display: grid;
  justify-items: center;
  gap: 0.15rem;
  padding: 0.55rem 0.2rem;
  min-height: 56px;
  color: inherit;
  text-decoration: none;
  font-size: 0.86rem;
  border-left: 5px solid transparent;
}
.place.here {
  border-left-color: var(--ink);
  background: var(--shade);
  font-weight: 700;
}
@media (max-width: 700px) {
  .places {
    flex-direction: row;
    justify-content: space-around;
  }
  .place {
    flex: 1;
    padding: 0.4rem 0.2rem;
    border-left: 0;
    border-top: 4px solid transparent;
  }
  .place.wide {
    display: none;
  }
  .place.here {
    border-top-color: var(--ink);
  }
}
</style>
