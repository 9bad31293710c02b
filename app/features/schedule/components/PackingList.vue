<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, shallowRef, watch } from 'vue'
import type { z } from 'zod'
import { parseMoney } from '../../../../core/foundation/money'
import { formatMoney, minorUnits } from '../../../../core/words'
import { packForDay } from '../../../../shared/contracts/schedule'
import { call } from '../../../data/http'
import { useSession } from '../../session'
import { NuxtLink } from '#components'

/** What a day's calls are likely to need, within what the van may carry in money. */
const props = defineProps<{ person: string; day: string }>()
const session = useSession()
const currency = computed(() => session.person?.currency ?? 'EUR')
const budget = ref('200')
const minor = computed(() => parseMoney(budget.value, minorUnits(currency.value)))
const packing = shallowRef<z.infer<(typeof packForDay)['answer']>>()
const trouble = ref('')
const busy = ref(false)
watch(
  () => [props.person, props.day],
  () => (packing.value = undefined),
)
const often = (chance: number) =>
  chance > 0.99 ? 'on order for it' : `needed in ${Math.max(1, Math.round(chance * 10))} of 10 such days`
async function ask() {
  if (minor.value === undefined || minor.value < 0) return
  busy.value = true
  try {
    packing.value = await call(packForDay, {
      query: { person: props.person, day: props.day, budget: minor.value },
    })
    trouble.value = ''
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <details class="card pack" @toggle="($event.target as HTMLDetailsElement).open && !packing && ask()">
    <summary>What to take along</summary>
    <form class="row" @submit.prevent="ask">
      <label class="small"
        >for at most
        <InputText v-model="budget" class="few" aria-label="Money for parts in the van" :invalid="minor === undefined"
      /></label>
      <Button type="submit" severity="secondary" size="small" :loading="busy">Reckon</Button>
    </form>
    <p v-if="trouble" role="alert" class="small">{{ trouble }}</p>
    <template v-if="packing">
      <ul v-if="packing.packed.length" class="plain-list small" aria-label="Parts to take along">
        <li v-for="p in packing.packed" :key="p.part">
          <strong class="number count">{{ p.count }} ×</strong>
          <NuxtLink :to="`/shop/parts/${p.part}`"
            ><span class="number">{{ p.number }}</span> {{ p.title }}</NuxtLink
          ><br /><span class="soft"
            >{{ often(p.chance) }}; {{ p.inShop >= p.count ? 'in the shop' : 'not in the shop' }}</span
          >
        </li>
      </ul>
      <p v-else class="small soft">Nothing besides what lies in the van.</p>
      <p v-if="packing.packed.length" class="small">Together {{ formatMoney(packing.minor, currency) }}.</p>
      <p v-if="packing.unknown.length" class="small soft">
        Not in the catalogue: {{ packing.unknown.map((u) => u.number ?? u.title).join(', ') }}.
      </p>
    </template>
  </details>
</template>

<style scoped>
.pack {
  padding: 0.5rem 0.6rem;
}
.count {
  margin-right: 0.4rem;
}
.few {
  width: 5rem;
}
</style>
