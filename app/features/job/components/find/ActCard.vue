<script setup lang="ts">
import { onMounted, onUpdated, ref, useTemplateRef } from 'vue'

/** What is asked or said, which scrolls, and the act under it, which stands at one place whatever is asked. */
defineProps<{
  /** What the upper part holds, for whoever cannot see it. */
  about: string
  /** Another one is another sheet of paper: nothing of the one before is moved about under the eye. */
  paper: string
  /** The act takes what room it needs, not the room of an entry. */
  low?: boolean
}>()
const details = useTemplateRef<HTMLElement>('details')
/** Where nothing in it can have the focus, it takes the focus itself: the keyboard has to be able to scroll it. */
const bare = ref(false)
const look = () => {
  bare.value = !details.value?.querySelector('button:not([tabindex="-1"]), a[href], input')
}
onMounted(look)
onUpdated(look)
</script>

<template>
  <section class="card acted" :class="{ low }">
    <div ref="details" :key="paper" class="details" role="group" :aria-label="about" :tabindex="bare ? 0 : undefined">
      <slot />
    </div>
    <!-- Another height is another panel: what stands in it has moved for nobody. -->
    <div v-if="$slots.act" :key="String(low)" class="act"><slot name="act" /></div>
  </section>
</template>

<style scoped>
.acted,
.details {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
}
.details {
  gap: 0.65rem;
  align-content: start;
}
/* The act stands at one place whatever is asked: at the foot of its column, on a phone under the thumb. */
@media (min-width: 901px) {
  .acted {
    grid-template-rows: minmax(0, 1fr) auto;
    gap: 0;
    padding: 0;
    height: 100%;
    min-height: 0;
  }
  .details {
    overflow-y: auto;
    padding: 1rem;
  }
  .act {
    height: 18.5rem;
    overflow-y: auto;
    padding: 0.8rem 1rem;
    border-top: 2px solid var(--ink);
  }
}
@media (max-width: 900px) {
  /* What is known of the machine begins below the screen, however little is asked. */
  .details {
    min-height: calc(100dvh - 9.5rem);
  }
  .act {
    position: fixed;
    inset: auto 0 0;
    z-index: 5;
    height: 24.5rem;
    overflow-y: auto;
    padding: 0.5rem 0.75rem;
    background: var(--card);
    border-top: 2px solid var(--ink);
  }
}
.low > .act {
  height: auto;
  max-height: 24.5rem;
}
/* A phone on its side: the act stands at the right hand, as high as the screen. */
@media (max-width: 900px) and (max-height: 500px) and (orientation: landscape) {
  .act {
    inset: 0 0 0 auto;
    width: 46vw;
    height: 100dvh;
    border-top: 0;
    border-left: 2px solid var(--ink);
  }
  .acted.low > .act {
    height: 100dvh;
    max-height: none;
  }
  .details {
    min-height: 0;
  }
  .acted {
    padding: 0.5rem 0.7rem;
  }
}
</style>
