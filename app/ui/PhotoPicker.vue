<script setup lang="ts">
import { useId } from 'vue'
import AppIcon from './AppIcon.vue'

/** Takes a photo with the camera or from a file, as the device offers it. */
defineProps<{ busy: boolean; fault: string }>()
const emit = defineEmits<{ picked: [file: File] }>()
const id = useId()
function pick(event: Event) {
  const input = event.target as HTMLInputElement
  for (const file of input.files ?? []) emit('picked', file)
  // The same file may be chosen again.
  input.value = ''
}
</script>

<template>
  <div class="picker">
    <input :id="id" type="file" accept="image/*" class="hush" :disabled="busy" @change="pick" />
    <label :for="id" class="chip"><AppIcon name="photo" /> {{ busy ? 'Making it smaller …' : 'Add a photo' }}</label>
    <p v-if="fault" role="alert" class="small">{{ fault }}</p>
  </div>
</template>

<style scoped>
.picker {
  position: relative;
  display: grid;
  justify-items: start;
  gap: 0.4rem;
}
.chip {
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
}
.hush:focus-visible + .chip {
  outline: 3px solid var(--good);
  outline-offset: 2px;
}
</style>
