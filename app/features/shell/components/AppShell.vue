<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import { computed, nextTick, ref, watch } from 'vue'
import { useSession } from '../../session'
import NoticeArea from './NoticeArea.vue'
import PlaceBar from './PlaceBar.vue'
import { NuxtLink } from '#components'
import { useNuxtApp } from 'nuxt/app'
import { useKeys } from '../../../ui'

const nuxt = useNuxtApp()
const session = useSession()
const route = useRoute()
const router = useRouter()

// What ties the page to this device is loaded with the first person, not with the door.
watch(
  () => session.person !== undefined && session.person !== null,
  async (somebody, _, onCleanup) => {
    if (!somebody) return
    let left = false
    let untie: (() => void) | undefined
    onCleanup(() => {
      left = true
      untie?.()
    })
    const { tieToDevice } = await import('../use-device')
    if (!left) untie = nuxt.runWithContext(tieToDevice) as () => void
  },
  { immediate: true },
)

/** Inside a job the places give way to its steps. */
const working = computed(() => /^\/jobs\/[0-9a-f-]{36}(\/|$)/.test(route.path))
// The session is gone: what was typed is kept, and the way back leads here.
watch(
  () => session.person,
  (person) => {
    if (person === null && route.path !== '/sign-in')
      void router.push({ path: '/sign-in', query: { to: route.fullPath } })
  },
)
useKeys({ '/': () => session.person && !working.value && void router.push('/find') })
const said = ref('')
// Whoever cannot see the page hears that it has changed, and starts at its head.
watch(
  () => route.path,
  async () => {
    await nextTick()
    setTimeout(() => {
      said.value = document.title
      const head = document.querySelector<HTMLElement>('main h1')
      if (head && document.activeElement === document.body) {
        head.tabIndex = -1
        head.focus({ preventScroll: true })
      }
    }, 50)
  },
)
</script>

<template>
  <div class="shell" :class="{ bare: !session.person, working }">
    <!-- In a job nothing stands before the work. -->
    <a v-if="!working" class="skip" href="#work">To the work</a>
    <aside v-if="session.person" class="rail">
      <NuxtLink to="/jobs" class="brand" aria-label="Duckweed: jobs"
        ><img src="/mark.svg" alt="" width="30" height="30"
      /></NuxtLink>
      <PlaceBar />
    </aside>
    <div id="work" class="work">
      <NoticeArea />
      <slot />
    </div>
    <p class="hush" role="status">{{ said }}</p>
  </div>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  min-height: 100dvh;
}
.bare {
  grid-template-columns: minmax(0, 1fr);
}
.rail {
  position: sticky;
  top: 0;
  height: 100dvh;
  border-right: 1px solid var(--line);
  background: var(--card);
  padding-top: 0.4rem;
  z-index: 4;
}
.brand {
  display: grid;
  place-items: center;
  min-height: 52px;
}
/* It is there when it has the focus, and has not moved for it. */
.skip {
  position: fixed;
  left: 0.5rem;
  top: 0.5rem;
  opacity: 0;
  pointer-events: none;
}
.skip:focus {
  opacity: 1;
  pointer-events: auto;
  z-index: 20;
  background: var(--card);
  padding: 0.7rem;
}
.working {
  grid-template-columns: minmax(0, 1fr);
}
.working .rail {
  display: none;
}
@media (max-width: 700px) {
  .shell {
    grid-template-columns: minmax(0, 1fr);
  }
  .rail {
    position: fixed;
    inset: auto 0 0;
    height: auto;
    padding: 0 0 env(safe-area-inset-bottom);
    border-right: 0;
    border-top: 1px solid var(--line);
  }
  .brand {
    display: none;
  }
  .work {
    padding-bottom: 4.6rem;
  }
  .working .work {
    padding-bottom: 0;
  }
}
</style>
