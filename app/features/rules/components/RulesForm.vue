<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { parseMoney } from '../../../../core/foundation/money'
import { minorUnits } from '../../../../core/words'
import { readRules, writeRules, type Rules } from '../../../../shared/contracts/organisation'
import { call } from '../../../data/http'
import { useAttempt } from '../../../data/use-attempt'
import { HoldButton } from '../../../ui'
import { useSession } from '../../session'

/** What holds for everybody: the price of an hour, the day of work, how long papers are kept. */
const session = useSession()
const currency = computed(() => session.person?.currency ?? 'EUR')
const kept = shallowRef<Rules>()
const due = ref(0)
const { trouble, attempt } = useAttempt()
const done = ref('')

const hour = ref('')
const begins = ref('')
const ends = ref('')
const travel = ref('')
/** 0: until somebody asks. */
const months = ref(0)
const KEEP = [
  { value: 0, title: 'Until somebody asks for erasure' },
  ...[6, 12, 24, 36, 60, 120].map((value) => ({
    value,
    title: value < 12 ? `${value} months` : value === 12 ? 'One year' : `${value / 12} years`,
  })),
]
const two = (n: number) => String(n).padStart(2, '0')
const clock = (minutes: number) => `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`
/** Midnight ends a day as 24:00. */
const minutesOf = (text: string): number => {
  const read = /^\s*([01]?\d|2[0-4])[:.]([0-5]\d)\s*$/.exec(text)
  return read ? Number(read[1]) * 60 + Number(read[2]) : NaN
}
const wholeOf = (text: string) => (/^\s*\d{1,3}\s*$/.test(text) ? Number(text) : NaN)

function show(rules: Rules): void {
  kept.value = rules
  const units = minorUnits(currency.value)
  hour.value = (rules.hourMinor / units).toFixed(Math.round(Math.log10(units)))
  begins.value = clock(rules.workBegins)
  ends.value = clock(rules.workEnds)
  travel.value = String(rules.travelMinutes)
  months.value = rules.keepPapersMonths ?? 0
}
const wrong = computed(() => {
  const price = parseMoney(hour.value, minorUnits(currency.value))
  const [from, to, between] = [minutesOf(begins.value), minutesOf(ends.value), wholeOf(travel.value)]
  return {
    hour: price === undefined || price < 1 ? 'An amount, as 60 or 60.50.' : '',
    begins: from >= 0 && from < 1440 ? '' : 'A time, as 08:00.',
    ends: !(to > 0 && to <= 1440) ? 'A time, as 17:00.' : to <= from ? 'A day ends after it begins.' : '',
    travel: between >= 0 && between <= 240 ? '' : 'Minutes, 0 to 240.',
  }
})
const sound = computed(() => Object.values(wrong.value).every((w) => !w))
/** More is let go than before: what goes then does not come back. */
const shorter = computed(() => months.value > 0 && (kept.value?.keepPapersMonths ?? Infinity) > months.value)

/** Asks, and shows what holds then. */
const take = (asked: Promise<{ rules: Rules; due: number }>) =>
  attempt(async () => {
    const answer = await asked
    show(answer.rules)
    due.value = answer.due
  })
onMounted(() => take(call(readRules)))
async function save(): Promise<void> {
  done.value = ''
  const body = {
    hourMinor: parseMoney(hour.value, minorUnits(currency.value))!,
    workBegins: minutesOf(begins.value),
    workEnds: minutesOf(ends.value),
    travelMinutes: wholeOf(travel.value),
    keepPapersMonths: months.value || null,
  }
  if (!(await take(call(writeRules, { body })))) return
  done.value = 'Kept.'
  await attempt(session.renew)
}
const FIELDS = computed(() => [
  { id: 'hour' as const, title: `An hour of work, ${currency.value}`, model: hour },
  { id: 'begins' as const, title: 'Work begins', model: begins },
  { id: 'ends' as const, title: 'Work ends', model: ends },
  { id: 'travel' as const, title: 'Between two visits, minutes', model: travel },
])
</script>

<template>
  <form class="card stack" aria-labelledby="rules" @submit.prevent="sound && !shorter && save()">
    <h2 id="rules">Hours and money</h2>
    <div v-if="kept" class="fields">
      <label v-for="f in FIELDS" :key="f.id" class="field"
        >{{ f.title }}
        <InputText
          v-model="f.model.value"
          autocomplete="off"
          :invalid="!!wrong[f.id]"
          :aria-describedby="wrong[f.id] ? `wrong-${f.id}` : undefined"
        />
        <span v-if="wrong[f.id]" :id="`wrong-${f.id}`" class="small">{{ wrong[f.id] }}</span></label
      >
    </div>
    <h2>How long papers are kept</h2>
    <p>
      Photos, signatures, what the customer said, remarks and reports of a closed job. What was measured and found
      stays. Papers of a machine that was left unsafe stay too: they show who was warned.
    </p>
    <label v-if="kept" class="field keep"
      >After a job is closed they are kept
      <Select v-model="months" :options="KEEP" option-value="value" option-label="title" aria-label="Papers are kept"
    /></label>
    <p v-if="due" role="status" class="small">
      {{ due === 1 ? 'One job has' : `${due} jobs have` }} papers that go within the hour.
    </p>
    <div v-if="kept" class="row">
      <template v-if="shorter">
        <HoldButton :disabled="!sound" @held="save">Keep these rules: older papers go for good</HoldButton>
      </template>
      <Button v-else type="submit" :disabled="!sound">Keep these rules</Button>
      <span role="status">{{ done }}</span>
    </div>
    <p v-if="trouble" role="alert">{{ trouble }}</p>
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 1rem;
}
.keep {
  max-width: 420px;
}
</style>
