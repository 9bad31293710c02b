<script setup lang="ts">
import { onScopeDispose, ref, watch } from 'vue'
import { photoOf } from '../../../../data/photos'
import { hear } from '../../../../data/tabs'

/** A photo of a job, with whatever is marked on it; `tap` says where, as shares of its sides. */
const props = defineProps<{ person: string; job: string; hash: string; alt: string; tappable?: boolean }>()
const emit = defineEmits<{ tap: [x: number, y: number] }>()
const url = ref('')
const absent = ref(false)
const drop = () => url.value && URL.revokeObjectURL(url.value)
async function load() {
  const { person, job, hash } = props
  drop()
  url.value = ''
  absent.value = false
  const photo = await photoOf(person, job, hash).catch(() => undefined)
  if (hash !== props.hash) return
  absent.value = !photo
  if (photo) url.value = URL.createObjectURL(photo)
}
watch(() => props.hash, load, { immediate: true })
const deaf = hear(({ type }) => {
  if (type === 'again' && absent.value) void load()
})
onScopeDispose(() => {
  deaf()
  drop()
})
function tap(event: MouseEvent) {
  if (!props.tappable) return
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  emit('tap', (event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
}
</script>

<template>
  <div class="photo" :class="{ tappable }" @click="tap">
    <img v-if="url" :src="url" :alt="alt" />
    <p v-else class="small soft">
      {{ absent ? 'This photo is not on this device yet: it comes with a connection.' : 'Fetching the photo …' }}
    </p>
    <slot />
  </div>
</template>

<style scoped>
.photo {
  position: relative;
  display: block;
  min-height: 3rem;
}
.tappable {
  cursor: crosshair;
}
img {
  display: block;
  width: 100%;
  height: auto;
  border-radius: 8px;
}
</style>
