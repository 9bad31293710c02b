<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { ACCURACY } from '../../../../core/job'
import { TOOLS } from '../../../../core/words'
import { useSession } from '../../session'

/** What this person carries to measure with: nothing else is advised, and what misleads is said. */
const session = useSession()
const lacking = ref([...(session.person?.kit?.lacking ?? [])])
const beeps = ref(String(session.person?.kit?.beepsBelow ?? ''))
const trouble = ref('')
const kept = ref(false)
const has = (tool: (typeof TOOLS)[number]) => !tool.instruments.some((i) => lacking.value.includes(i))
function turn(tool: (typeof TOOLS)[number]) {
  const others = lacking.value.filter((i) => !tool.instruments.includes(i))
  lacking.value = has(tool) ? [...others, ...tool.instruments] : others
  kept.value = false
}
const limit = computed(() => Number(beeps.value.replace(',', '.').replace(/\s*(Ω|ohms?)$/i, '')))
/** What is carried and has a limit of error, with what is written there for it, per cent. */
const exact = computed(() => TOOLS.filter(has).flatMap((tool) => tool.exact ?? []))
const limits = ref<Record<string, string>>(
  Object.fromEntries(
    TOOLS.flatMap((tool) => tool.exact ?? []).map(({ title, instruments }) => {
      const own = session.person?.kit?.accuracy?.[instruments[0]!]
      return [title, own === undefined ? '' : String(Number((own * 100).toPrecision(6)))]
    }),
  ),
)
const shareOf = (written: string): number => Number(written.replace(',', '.').replace(/[±%\s]/g, '')) / 100
const inexact = computed(() =>
  exact.value.some(({ title }) => {
    const written = limits.value[title]!.trim()
    const share = shareOf(written)
    return written !== '' && !(share >= ACCURACY.least && share <= ACCURACY.most)
  }),
)
const accuracy = computed(() =>
  Object.fromEntries(
    exact.value.flatMap(({ title, instruments }) =>
      limits.value[title]!.trim() ? instruments.map((i) => [i, shareOf(limits.value[title]!)] as const) : [],
    ),
  ),
)
const wrong = computed(() => beeps.value.trim() !== '' && !(limit.value >= 1 && limit.value <= 2000))
async function keep() {
  if (wrong.value || inexact.value) return
  try {
    await session.equip({
      lacking: lacking.value,
      ...(beeps.value.trim() ? { beepsBelow: limit.value } : {}),
      ...(Object.keys(accuracy.value).length ? { accuracy: accuracy.value } : {}),
    })
    trouble.value = ''
    kept.value = true
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error)
  }
}
</script>

<template>
  <section class="card kit" aria-label="Instruments">
    <h2>Instruments with you</h2>
    <p class="soft small">
      A test that needs something else is not advised. Jobs that are open already take it over when opened again.
    </p>
    <form @submit.prevent="keep">
      <div class="chips" role="group" aria-label="What you carry">
        <button v-for="t in TOOLS" :key="t.id" type="button" class="chip" :aria-pressed="has(t)" @click="turn(t)">
          {{ t.title }}
        </button>
      </div>
      <label v-if="!lacking.includes('beeper')"
        >The beeper sounds below, Ω
        <input
          v-model="beeps"
          inputmode="decimal"
          class="number"
          placeholder="20 to 250, by the meter"
          @input="kept = false"
        />
      </label>
      <fieldset v-if="exact.length">
        <legend class="small soft">
          Limit of error, ± % of the reading, as the papers of yours give it. Empty: a usual one.
        </legend>
        <label v-for="e in exact" :key="e.title"
          >{{ e.title }}, ± %
          <input v-model="limits[e.title]" inputmode="decimal" class="number" @input="kept = false" />
        </label>
      </fieldset>
      <p v-if="inexact" role="alert" class="small">Give a limit of error between 0.05 and 30 %, or leave it empty.</p>
      <p v-if="wrong" role="alert" class="small">Give ohms between 1 and 2000, or leave it empty.</p>
      <p v-if="trouble" role="alert" class="small">{{ trouble }}</p>
      <div class="row">
        <Button type="submit" severity="secondary">Keep my instruments</Button>
        <span v-if="kept" role="status" class="small">Kept.</span>
      </div>
    </form>
  </section>
</template>

<style scoped>
.kit,
form {
  display: grid;
  gap: 0.7rem;
}
input {
  display: block;
  min-height: 44px;
  width: min(100%, 20rem);
  padding: 0 0.8rem;
  border: 1.5px solid var(--soft);
  border-radius: 10px;
  background: none;
}
fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
  gap: 0.6rem;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0 0 0.4rem;
}
</style>
