<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { parseMoney } from '../../../../../core/foundation/money'
import { formatAbout, minorUnits } from '../../../../../core/words'

/** Whether the machine is worth its repair: what a new one costs against this repair and what such a machine needs in a year. */
const props = defineProps<{
  /** Expected cost of the cheapest repair, and of the repairs of a year, in units of the currency. */
  repair: number
  upkeep: number
  currency: string
}>()
const price = ref('')
const units = computed(() => minorUnits(props.currency))
const minor = computed(() => parseMoney(price.value, units.value))
const about = (money: number) => formatAbout(money, props.currency)
const says = computed(() => {
  if (minor.value === undefined || minor.value <= 0) return ''
  const rest = minor.value / units.value - props.repair
  if (rest <= 0) return 'The repair alone costs as much as a new machine: it is not worth it.'
  const years = rest / Math.max(1e-9, props.upkeep)
  const said = years > 30 ? 'more than 30 years' : `${years < 2 ? years.toFixed(1) : Math.round(years)} years`
  return `This repair, and then ${said} of the repairs that such a machine needs, come to what a new one costs, if the new one needed none.`
})
</script>

<template>
  <details class="card">
    <summary>Is the machine worth it?</summary>
    <div class="stack">
      <p class="small">
        This repair comes to about {{ about(repair) }}; such a machine needs repairs of about {{ about(upkeep) }} a
        year, by the rates of its sheet.
      </p>
      <label class="field"
        ><span class="small">A new machine, put in</span
        ><InputText v-model="price" inputmode="decimal" :aria-label="`What a new machine costs, ${currency}`" fluid
      /></label>
      <p v-if="price.trim() && minor === undefined" class="small bad" role="alert">An amount, as 900 or 900.00</p>
      <p v-if="says" role="status">{{ says }}</p>
      <p class="small soft">
        Not worth it: tell the customer, and leave it out of service or, where it is safe as it is, stop under Find.
      </p>
    </div>
  </details>
</template>

<style scoped>
.bad {
  color: var(--danger);
}
</style>
