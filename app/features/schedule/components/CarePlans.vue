<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { v7 as uuidv7 } from 'uuid'
import type { z } from 'zod'
import { daysBetween, descaleEvery } from '../../../../core/schedule'
import { describeDue } from '../../../../core/words'
import { listCare, putCare, type CarePlan } from '../../../../shared/contracts/schedule'
import { call } from '../../../data/http'
import { useAttempt } from '../../../data/use-attempt'
import { formatDay } from '../../../ui'

/** What is done again and again at a machine: by days, or by what comes in with its water. */
const props = defineProps<{ unit: string; locked: boolean }>()
const shown = shallowRef<z.infer<(typeof listCare)['answer']>>()
const { trouble, attempt } = useAttempt()
const load = async () => void (shown.value = await call(listCare, { params: { id: props.unit } }))
onMounted(() => attempt(load))

const editing = ref('')
const fresh = ref(false)
const title = ref('')
const days = ref('')
const minutes = ref('30')
const lastDone = ref('')
const byWater = ref(false)
const hardness = ref('')
const litres = ref('')
const lime = ref('')
function edit(plan: Partial<CarePlan>) {
  editing.value = plan.id ?? uuidv7()
  fresh.value = plan.id === undefined
  title.value = plan.title ?? ''
  days.value = plan.everyDays ? String(plan.everyDays) : ''
  minutes.value = String(plan.minutes ?? 30)
  lastDone.value = plan.lastDone ?? ''
  byWater.value = Boolean(plan.water)
  hardness.value = String(plan.water?.hardness ?? '')
  litres.value = String(plan.water?.litres ?? '')
  lime.value = String(plan.water?.lime ?? '')
}
const numberOf = (text: string) => (/^\s*\d+([.,]\d+)?\s*$/.test(text) ? Number(text.replace(',', '.')) : NaN)
const water = computed(() => {
  const own = { hardness: numberOf(hardness.value), litres: numberOf(litres.value), lime: numberOf(lime.value) }
  return Object.values(own).every((n) => n > 0) ? own : undefined
})
const reckoned = computed(() =>
  water.value ? descaleEvery(water.value.hardness, water.value.litres, water.value.lime) : undefined,
)
const every = computed(() => (byWater.value ? reckoned.value : numberOf(days.value)))
const sound = computed(() => title.value.trim() !== '' && (every.value ?? 0) >= 1 && numberOf(minutes.value) >= 5)
const keep = (retired = false) =>
  attempt(async () => {
    await call(putCare, {
      params: { id: editing.value },
      body: {
        unit: props.unit,
        title: title.value.trim(),
        everyDays: byWater.value ? null : Math.round(numberOf(days.value)),
        minutes: Math.round(numberOf(minutes.value)),
        lastDone: lastDone.value || null,
        water: byWater.value ? water.value! : null,
        retired,
      },
    })
    editing.value = ''
    await load()
  })
const lateness = (due: string) => describeDue(daysBetween(due, shown.value!.today))
/** What the sheet says and no plan has taken up. */
const offered = computed(() =>
  (shown.value?.sheet ?? []).filter((s) => s.days !== null && !shown.value!.plans.some((p) => p.title === s.text)),
)
</script>

<template>
  <section class="care" aria-label="Care">
    <h2>Care</h2>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
    <ul v-if="shown?.plans.length" class="plain-list" aria-label="Care plans">
      <li v-for="p in shown.plans" :key="p.id" class="row line">
        <span
          ><strong>{{ p.title }}</strong
          ><br /><span class="small soft"
            >every {{ p.everyDays }} days<template v-if="p.water"
              >, by {{ p.water.hardness }} °dH and {{ p.water.litres }} L a day</template
            >; {{ p.lastDone ? `last on ${formatDay(p.lastDone)}` : 'nobody knows when last' }}</span
          ></span
        >
        <span class="push">{{ lateness(p.due) }}</span>
        <Button v-if="!locked" severity="secondary" :aria-label="`Change: ${p.title}`" @click="edit(p)">Change</Button>
      </li>
    </ul>
    <p v-else-if="shown" class="soft">Nothing is planned for it.</p>
    <form v-if="editing" class="card fields" aria-label="Care plan" @submit.prevent="sound && keep()">
      <label class="field wide"
        ><span class="small">What is done</span><InputText v-model="title" aria-label="What is done"
      /></label>
      <label v-if="!byWater" class="field"
        ><span class="small">Every so many days</span
        ><InputText v-model="days" inputmode="numeric" aria-label="Every so many days"
      /></label>
      <template v-else>
        <label class="field"
          ><span class="small">Hardness, °dH</span
          ><InputText v-model="hardness" inputmode="decimal" aria-label="Hardness"
        /></label>
        <label class="field"
          ><span class="small">Litres a day</span
          ><InputText v-model="litres" inputmode="decimal" aria-label="Litres a day"
        /></label>
        <label class="field"
          ><span class="small">Lime it may gather, g</span
          ><InputText v-model="lime" inputmode="decimal" aria-label="Lime it may gather"
        /></label>
      </template>
      <label class="field"
        ><span class="small">Minutes</span><InputText v-model="minutes" inputmode="numeric" aria-label="Minutes"
      /></label>
      <label class="field"
        ><span class="small">Last done</span
        ><input v-model="lastDone" type="date" class="p-inputtext" aria-label="Last done"
      /></label>
      <label class="row wide all"><input v-model="byWater" type="checkbox" /> Descaling: by hardness and use</label>
      <p v-if="byWater && reckoned" class="wide small">That is every {{ reckoned }} days.</p>
      <div class="row wide">
        <Button type="submit" :disabled="!sound">Keep it</Button>
        <Button type="button" severity="secondary" @click="editing = ''">Leave as it was</Button>
        <Button v-if="!fresh" type="button" severity="secondary" class="push" @click="keep(true)">No longer</Button>
      </div>
    </form>
    <div v-else-if="!locked && shown" class="row">
      <Button severity="secondary" @click="edit({})">Plan care</Button>
      <Button
        v-for="s in offered"
        :key="s.text"
        severity="secondary"
        :title="s.why"
        @click="edit({ title: s.text, everyDays: s.days! })"
        >{{ s.text }}, {{ s.every }}</Button
      >
    </div>
  </section>
</template>

<style scoped>
.care {
  display: grid;
  gap: 0.5rem;
}
.line {
  min-height: 56px;
  border-top: 1px solid var(--line);
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
  gap: 0.7rem;
}
.wide {
  grid-column: 1 / -1;
}
.all {
  min-height: 44px;
}
</style>
