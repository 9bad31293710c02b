<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import { v7 as uuidv7 } from 'uuid'
import { formatMoney } from '../../../../core/words'
import type { Part } from '../../../../shared/contracts/parts'
import { listSheets } from '../../../../shared/contracts/sheets'
import { call } from '../../../data/http'
import { saveFile } from '../../../data/save-file'
import { AppIcon, TroubleBar } from '../../../ui'
import { useSession } from '../../session'
import { partsCsv } from '../parts-csv'
import { useParts } from '../use-parts'

/** Parts: what there is, where it lies, and of what too little is left. */
const router = useRouter()
const session = useSession()
const { words, low, sheet, parts, next, trouble, load, all } = useParts()
const sheets = shallowRef<{ id: string; title: string }[]>([])
void call(listSheets).then(
  (answer) => (sheets.value = answer.sheets),
  () => undefined,
)
const mayWrite = computed(() => ['lead', 'technician'].includes(session.person?.role ?? ''))
const currency = computed(() => session.person?.currency ?? 'EUR')
const isLow = (p: Part) => p.reorderAt > 0 && (p.stock.find((s) => s.store === 'shop')?.count ?? 0) <= p.reorderAt
const about = (p: Part) =>
  [p.volts, p.degrees, p.contact, p.thread, p.priceMinor === null ? '' : formatMoney(p.priceMinor, currency.value)]
    .filter(Boolean)
    .join(', ')
async function save() {
  saveFile('parts.csv', partsCsv(await all(), currency.value))
}
</script>

<template>
  <main class="page">
    <div class="row">
      <h1>Parts</h1>
      <span class="push" />
      <Button severity="secondary" @click="save">Save as CSV</Button>
      <Button v-if="mayWrite" severity="secondary" @click="router.push('/shop/parts/import')">From a file</Button>
      <Button v-if="mayWrite" @click="router.push(`/shop/parts/${uuidv7()}?new`)"
        ><AppIcon name="plus" /> New part</Button
      >
    </div>
    <div class="row">
      <InputText
        v-model="words"
        class="words"
        placeholder="Number, name, what is in the kit"
        aria-label="Search parts"
      />
      <Select
        v-model="sheet"
        :options="sheets"
        option-label="title"
        option-value="id"
        show-clear
        filter
        placeholder="Any machine"
        aria-label="Machine that it fits"
      />
      <label class="row all"><input v-model="low" type="checkbox" /> to be ordered</label>
    </div>
    <TroubleBar v-if="trouble" :text="trouble" />
    <p v-else-if="!parts" class="soft">Fetching the parts …</p>
    <section v-if="parts && !parts.length" class="card">
      <h2>{{ words || low || sheet ? 'No part fits' : 'There are no parts yet' }}</h2>
      <p>{{ words || low || sheet ? 'Try the number alone.' : 'Take a file of them in.' }}</p>
    </section>
    <ul v-if="parts?.length" class="plain-list" aria-label="Parts">
      <li v-for="p in parts" :key="p.id">
        <NuxtLink :to="`/shop/parts/${p.id}`" class="part">
          <span
            ><strong class="number">{{ p.number }}</strong> {{ p.title }}<br /><span class="soft small">{{
              about(p)
            }}</span></span
          >
          <span class="small push">
            <span v-for="s in p.stock" :key="s.store" class="where" :class="{ off: s.count < 0 }"
              ><strong class="number">{{ s.count }}</strong> {{ s.store === 'shop' ? 'in the shop' : s.name }}</span
            >
            <strong v-if="isLow(p)">to be ordered</strong>
          </span>
        </NuxtLink>
      </li>
    </ul>
    <Button v-if="next" severity="secondary" @click="load(true)">More</Button>
  </main>
</template>

<style scoped>
.words {
  flex: 1 1 16rem;
}
.all {
  min-height: 44px;
}
.part {
  display: flex;
  gap: 0.8rem;
  align-items: center;
  min-height: 56px;
  padding: 0.4rem 0.2rem;
  border-top: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
}
.where {
  margin-right: 0.8rem;
}
.off {
  color: var(--danger);
}
</style>
