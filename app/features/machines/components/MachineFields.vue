<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { ref } from 'vue'
import { listSheets } from '../../../../shared/contracts/sheets'
import { listCustomers, type UnitFields } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'

/** What a machine is and where it stands. A customer or place that is not there yet is made. */
const fields = defineModel<UnitFields>({ required: true })
defineProps<{ problems: { path: (string | number)[]; message: string }[] }>()
const emit = defineEmits<{ trouble: [text: string] }>()

const sheets = ref<{ id: string; title: string }[]>([])
const customers = ref<{ name: string; sites: { name: string }[] }[]>([])
const set = <K extends keyof UnitFields>(key: K, value: UnitFields[K]) =>
  (fields.value = { ...fields.value, [key]: value })
const sitesOf = (customer: string) => customers.value.find((c) => c.name === customer.trim())?.sites ?? []
Promise.all([call(listSheets), call(listCustomers)]).then(
  ([s, c]) => {
    sheets.value = s.sheets
    customers.value = c.customers
  },
  (error: unknown) => emit('trouble', error instanceof Error ? error.message : String(error)),
)
const TEXTS = [
  { key: 'title', label: 'What it is called', hint: 'Orrisk TL-40, laundry left', list: undefined },
  { key: 'serial', label: 'Serial number', hint: 'from the rating plate', list: undefined },
  { key: 'customer', label: 'Customer', hint: '', list: 'customers' },
  { key: 'site', label: 'Place', hint: 'Laundry, basement', list: 'sites' },
] as const
</script>

<template>
  <div class="fields">
    <label v-for="t in TEXTS" :key="t.key">
      {{ t.label }}
      <InputText
        :model-value="fields[t.key]"
        :placeholder="t.hint"
        :list="t.list"
        :required="t.key !== 'serial'"
        maxlength="120"
        fluid
        @update:model-value="set(t.key, $event ?? '')"
      />
      <span v-for="p in problems.filter((x) => x.path[0] === t.key)" :key="p.message" role="alert" class="wrong">{{
        p.message
      }}</span>
    </label>
    <label>
      Sheet
      <Select
        :model-value="fields.sheet"
        :options="sheets"
        option-label="title"
        option-value="id"
        filter
        placeholder="Which machine it is"
        aria-label="Sheet"
        fluid
        @update:model-value="set('sheet', $event)"
      />
    </label>
    <datalist id="customers"><option v-for="c in customers" :key="c.name" :value="c.name" /></datalist>
    <datalist id="sites"><option v-for="s in sitesOf(fields.customer)" :key="s.name" :value="s.name" /></datalist>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
  gap: 0.9rem;
}
label {
  display: grid;
  gap: 0.3rem;
  font-weight: 600;
  align-content: start;
}
.wrong {
  border-left: 5px solid var(--ink);
  padding-left: 0.6rem;
  font-weight: 400;
}
</style>
