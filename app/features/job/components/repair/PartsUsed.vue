<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import type { Job } from '../../../../../core/job'
import { describeStandIn, describeStock, describeStore, STORES } from '../../../../../core/words'
import { UndoButton } from '../../../../ui'
import type { ShopPart } from '../../use-shop-parts'

/** What went in and where it came from; what came out and is not to go back to stock. */
const props = defineProps<{
  /** What the repair takes, to begin with. */
  part: { title: string; number?: string | undefined } | undefined
  /** What the shop has of it. */
  lies: ShopPart | undefined
  /** Id of whoever works. */
  own: string
  used: Job['used']
  condemned: Job['condemned']
  locked: boolean
}>()
const emit = defineEmits<{
  use: [part: { title: string; number?: string | undefined; count: number; from: (typeof STORES)[number] }]
  condemn: [title: string, how: string]
  undo: [event: string]
}>()
const title = ref('')
const number = ref('')
const count = ref('1')
const from = ref<(typeof STORES)[number]>('van')
const old = ref('')
const how = ref('')
watch(
  () => props.part,
  (part) => {
    title.value ||= part?.title ?? ''
    number.value ||= part?.number ?? ''
    old.value ||= part ? 'The old part' : ''
  },
  { immediate: true },
)
const pieces = computed(() => (/^\d{1,2}$/.test(count.value.trim()) ? Number(count.value) : NaN))
const stores = STORES.map((id) => ({ id, title: describeStore(id) }))
function use() {
  const own = number.value.trim()
  emit('use', { title: title.value.trim(), ...(own ? { number: own } : {}), count: pieces.value, from: from.value })
  title.value = number.value = ''
  count.value = '1'
}
function condemn() {
  emit('condemn', old.value.trim(), how.value.trim())
  how.value = ''
}
</script>

<template>
  <section class="card stack" aria-label="Parts">
    <h2>Parts that went in</h2>
    <p v-if="lies" class="small">
      <strong class="number">{{ lies.number }}</strong>: {{ describeStock(lies.part.stock, own) }}.
      <template v-for="s in lies.standIns" :key="s.part.id"
        ><br />May stand in: <strong class="number">{{ s.part.number }}</strong> {{ s.part.title }} ({{
          describeStandIn(s.by)
        }}), {{ describeStock(s.part.stock, own) }}.</template
      >
    </p>
    <ul v-if="used.length" class="plain-list" aria-label="Parts used">
      <li v-for="u in used" :key="u.event" class="row">
        <span
          ><span class="number">{{ u.count }} ×</span> {{ u.title }}
          <span class="small soft"
            ><template v-if="u.number">{{ u.number }}, </template>{{ describeStore(u.from) }}</span
          ></span
        >
        <UndoButton v-if="!locked" class="push" :label="`Undo ${u.title}`" @click="emit('undo', u.event)" />
      </li>
    </ul>
    <form v-if="!locked" class="use" @submit.prevent="use">
      <InputText v-model="title" maxlength="200" aria-label="What went in" placeholder="What went in" />
      <InputText v-model="number" maxlength="60" aria-label="Number of what went in" placeholder="Number" />
      <InputText v-model="count" inputmode="numeric" aria-label="How many" :invalid="!(pieces >= 1)" />
      <Select v-model="from" :options="stores" option-label="title" option-value="id" aria-label="Where it came from" />
      <Button type="submit" severity="secondary" :disabled="!title.trim() || !(pieces >= 1)">It went in</Button>
    </form>
    <h3>What came out</h3>
    <ul v-if="condemned.length" class="plain-list" aria-label="Made unusable">
      <li v-for="c in condemned" :key="c.event" class="row">
        <span
          >{{ c.title }} <span class="small soft">{{ c.how }}</span></span
        >
        <UndoButton v-if="!locked" class="push" :label="`Undo ${c.title}`" @click="emit('undo', c.event)" />
      </li>
    </ul>
    <form v-if="!locked" class="out" @submit.prevent="condemn">
      <InputText v-model="old" maxlength="200" aria-label="What came out" placeholder="What came out" />
      <InputText
        v-model="how"
        maxlength="300"
        aria-label="How it was made unusable"
        placeholder="Wires cut off, terminals broken …"
      />
      <Button type="submit" severity="secondary" :disabled="!old.trim() || !how.trim()">Made unusable</Button>
    </form>
  </section>
</template>

<style scoped>
.use {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr) 4rem;
  gap: 0.4rem;
}
.use > :nth-child(4) {
  grid-column: 1 / 2;
}
.use > :last-child {
  grid-column: 2 / -1;
}
.out {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 0.4rem;
}
.out > :last-child {
  grid-column: 2;
}
</style>
