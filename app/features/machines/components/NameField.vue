<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'

/** A name that may be changed where it stands. */
const props = defineProps<{ name: string; what: string; may: boolean; change: (name: string) => Promise<void> }>()
const editing = ref(false)
const text = ref('')
const trouble = ref('')

function edit() {
  text.value = props.name
  trouble.value = ''
  editing.value = true
}
async function keep() {
  try {
    await props.change(text.value.trim())
    editing.value = false
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error)
  }
}
</script>

<template>
  <form v-if="editing" class="row" @submit.prevent="keep">
    <InputText v-model="text" :aria-label="`Name of the ${what}`" maxlength="120" autofocus />
    <Button type="submit" :disabled="!text.trim()">Keep</Button>
    <Button type="button" severity="secondary" @click="editing = false">Leave it</Button>
    <span v-if="trouble" role="alert">{{ trouble }}</span>
  </form>
  <span v-else class="name"
    >{{ name }}
    <button v-if="may" type="button" :aria-label="`Rename the ${what} ${name}`" @click="edit">rename</button></span
  >
</template>

<style scoped>
.name button {
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--soft);
  text-decoration: underline;
  font-size: 0.86rem;
  font-weight: 400;
  cursor: pointer;
}
</style>
