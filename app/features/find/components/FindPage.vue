<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, onMounted, onScopeDispose, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { z } from 'zod'
import { find } from '../../../../shared/contracts/find'
import { call } from '../../../data/http'
import { TroubleBar } from '../../../ui'
import { NuxtLink } from '#components'

/** Anything of the shop by any word of it. */
type Found = z.infer<(typeof find)['answer']>
/** A search is sent once nobody has typed for so long, ms. */
const STILL = 200
const KINDS = { customer: 'Customer', site: 'Place', unit: 'Machine', job: 'Job', part: 'Part' } as const

const route = useRoute()
const router = useRouter()
const words = ref(typeof route.query.q === 'string' ? route.query.q : '')
const answer = shallowRef<Found>()
const trouble = ref('')
let timer: ReturnType<typeof setTimeout> | undefined
let round = 0
async function ask() {
  const mine = ++round
  const q = words.value.trim()
  void router.replace({ query: q ? { q } : {} })
  if (!q) return void (answer.value = undefined)
  try {
    const found = await call(find, { query: { q } })
    if (mine !== round) return
    answer.value = found
    trouble.value = ''
  } catch (error) {
    if (mine === round) trouble.value = error instanceof Error ? error.message : String(error)
  }
}
watch(words, () => {
  clearTimeout(timer)
  timer = setTimeout(() => void ask(), STILL)
})
onScopeDispose(() => clearTimeout(timer))
const field = useTemplateRef<HTMLElement>('field')
onMounted(() => {
  field.value?.querySelector('input')?.focus()
  if (words.value) void ask()
})
const meant = computed(() => answer.value?.meant.filter((m) => m.words.length) ?? [])
const pathOf = ({ kind, id, unit }: Found['found'][number]): string =>
  kind === 'job' ? `/jobs/${id}` : kind === 'part' ? `/shop/parts/${id}` : unit ? `/machines/${unit}` : '/machines'
</script>

<template>
  <main class="page">
    <h1>Find</h1>
    <div ref="field">
      <InputText
        v-model="words"
        fluid
        placeholder="Customer, place, machine, serial, part, what was wrong"
        aria-label="Find anything"
      />
    </div>
    <TroubleBar v-if="trouble" :text="trouble" />
    <p v-for="m in meant" :key="m.typed" class="small">
      Nobody has written “{{ m.typed }}”. Looked for: {{ m.words.join(', ') }}.
    </p>
    <ul v-if="answer?.found.length" class="plain-list" aria-label="Found">
      <li v-for="f in answer.found" :key="`${f.kind} ${f.id}`">
        <NuxtLink :to="pathOf(f)" class="found">
          <span class="kind small">{{ KINDS[f.kind] }}</span>
          <span
            ><strong>{{ f.title || 'No complaint noted' }}</strong
            ><br /><span class="small soft">{{ f.about }}</span></span
          >
        </NuxtLink>
      </li>
    </ul>
    <section v-else-if="answer" class="card">
      <h2>Nothing has all these words</h2>
      <p>Leave one out, or write less of it.</p>
    </section>
  </main>
</template>

<style scoped>
.found {
  display: grid;
  grid-template-columns: 5.5rem minmax(0, 1fr);
  gap: 0.8rem;
  align-items: center;
  min-height: 56px;
  padding: 0.35rem 0.2rem;
  border-top: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
}
.found:hover {
  background: var(--shade);
}
.kind {
  border-left: 5px solid var(--line);
  padding-left: 0.5rem;
}
</style>
