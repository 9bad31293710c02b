<script setup lang="ts">
/** Drawn for this product on a grid of 24, stroked in the colour of the text. */
const SHAPES = {
  plus: 'M12 5v14M5 12h14',
  undo: 'M9 6 4 11l5 5M4 11h10a6 6 0 0 1 6 6v1',
  danger: 'M12 3 2 20.5h20zM12 10v5M12 17.6v.4',
  cloud: 'M3 3l18 18M7 18h9M7 18a4 4 0 0 1-.5-8M10 6a6 6 0 0 1 8 5 3.6 3.6 0 0 1 2.4 5.4',
  sun: 'M12 8a4 4 0 1 0 0 8 4 4 0 0 0 0-8M12 2v3M12 19v3M2 12h3M19 12h3M5 5l2 2M17 17l2 2M5 19l2-2M17 7l2-2',
  moon: 'M20 14A8.5 8.5 0 0 1 10 4a8.5 8.5 0 1 0 10 10',
  disc: 'M12 3a9 9 0 1 0 0 18 9 9 0 0 0 0-18M12 3v18',
  today: 'M4 6h16v14H4zM4 10.5h16M8 3v5M16 3v5M8.5 15l2.2 2.2L15.5 13',
  jobs: 'M4 6h3v3H4zM4 15h3v3H4zM11 7.5h9M11 16.5h9',
  machines: 'M5 3h14v18H5zM5 8h14M8 5.5h3M12 11.5a3.6 3.6 0 1 0 0 7.2 3.6 3.6 0 0 0 0-7.2',
  find: 'M10.5 4a6.5 6.5 0 1 0 0 13 6.5 6.5 0 0 0 0-13M15.5 15.5 21 21',
  tools: 'M4 5h16v14H4zM4 10h16M8 5v5M12 5v3M16 5v5M8 15h.1M12 15h4',
  shop: 'M4 9h16v11H4zM3 9l2-5h14l2 5M9 20v-6h6v6',
  me: 'M12 4a4 4 0 1 0 0 8 4 4 0 0 0 0-8M4 21c.6-4.4 3.6-6.6 8-6.6s7.4 2.2 8 6.6',
  ear: 'M4 14v-2a8 8 0 0 1 16 0v2M4 14h3v6H5a1 1 0 0 1-1-1zM20 14h-3v6h2a1 1 0 0 0 1-1z',
  back: 'M15 5l-7 7 7 7',
  check: 'M5 12.5l4.5 4.5L19 7',
  info: 'M12 3a9 9 0 1 0 0 18 9 9 0 0 0 0-18M12 11v6M12 7.4v.2',
  photo: 'M4 7h4l1.5-2.5h5L16 7h4v12H4zM12 9.5a3.4 3.4 0 1 0 0 6.8 3.4 3.4 0 0 0 0-6.8',
} as const
export type IconName = keyof typeof SHAPES
defineProps<{ name: IconName }>()
</script>

<template>
  <svg class="icon" viewBox="0 0 24 24" aria-hidden="true"><path :d="SHAPES[name]" /></svg>
</template>

<style scoped>
.icon {
  width: 1.25em;
  height: 1.25em;
  flex: none;
  fill: none;
  stroke: currentcolor;
  stroke-width: 2;
  stroke-linecap: round;
  stroke-linejoin: round;
  vertical-align: -0.22em;
}
</style>
