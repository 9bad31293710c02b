<script setup lang="ts">
/** Keys under the thumb, row by row. What a key writes is what stands on it; ⌫ takes the last back. */
defineProps<{ rows: readonly (readonly string[])[] }>()
const emit = defineEmits<{ press: [key: string] }>()
const NAMES: Record<string, string> = { '⌫': 'Take the last back', '.': 'point', '−': 'minus', ':': 'colon' }
</script>

<template>
  <div class="pad" role="group" aria-label="Keys">
    <template v-for="(row, i) in rows" :key="i">
      <button
        v-for="k in row"
        :key="k"
        type="button"
        class="key number"
        :class="{ long: k.length > 2 }"
        :aria-label="NAMES[k]"
        @click="emit('press', k)"
      >
        {{ k }}
      </button>
    </template>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 0.3rem;
}
.key {
  min-height: 44px;
  border: 1.5px solid var(--soft);
  border-radius: 10px;
  background: var(--card);
  font-size: 1.25rem;
  font-weight: 600;
  line-height: 1.05;
  cursor: pointer;
  touch-action: manipulation;
}
.key.long {
  font-size: 0.88rem;
}
.key:active {
  background: var(--shade);
}
</style>
