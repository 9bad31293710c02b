<script setup lang="ts">
import { preloadRouteComponents, useRuntimeConfig } from '#imports'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, nextTick, onScopeDispose, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { foldJob } from '../../../../core/job'
import type { ShopRecord } from '../../../../core/statistics'
import { fits, search, suggest } from '../../../../core/search'
import { describeRefusal } from '../../../../core/words'
import { listUnits, type Unit } from '../../../../shared/contracts/units'
import { fetchOrKept } from '../../../data/fetched'
import { useAttempt } from '../../../data/use-attempt'
import { predictionsOf } from '../../../data/predictions'
import { sheetOf } from '../../../data/sheets'
import { hear } from '../../../data/tabs'
import { shopRecordNow } from '../../../data/shop-record'
import { questionOf, useEngine, type MachineFacts } from '../../../engine'
import { TroubleBar } from '../../../ui'
import { useSession } from '../../session'
import { openJob } from '../open-job'

interface Findable extends Unit {
  words: string[]
  codes: { code: string; title: string; means: string; lamps?: string | undefined }[]
}
const session = useSession()
const route = useRoute()
const router = useRouter()
const engine = useEngine()
const state = useRuntimeConfig().public.engine
const units = shallowRef<Findable[]>([])
const unit = shallowRef<Findable>()
const facts = shallowRef<MachineFacts>()
const picked = ref<string[]>([])
/** What was said of the days before. */
const before = ref<string[]>([])
const words = ref('')
/** What is asked next, once the machine is chosen. */
const told = useTemplateRef<HTMLElement>('told')
const query = ref('')
/** Code that the machine shows, as a reading. */
const code = ref('')
const found = computed(() => search(units.value, query.value))
/** Codes whose name or lamps the query names. */
const meant = (m: Findable) =>
  query.value.trim() ? m.codes.filter((c) => fits({ words: [c.code, c.lamps ?? ''] }, query.value)) : []
const suggested = computed(() => (facts.value ? suggest(facts.value.complaints, words.value).map((c) => c.id) : []))
/** What the customer's sentence may mean stands first. */
const complaints = computed(() =>
  [...(facts.value?.complaints ?? [])].sort(
    (a, b) => Number(suggested.value.includes(b.id)) - Number(suggested.value.includes(a.id)),
  ),
)
/** What the shop has seen of such machines, and when that was asked for: a job begun long after asks itself, ms. */
let record: { seen: ShopRecord; at: number } | undefined
const RECORD_HOLDS = 5 * 60_000
const { trouble, attempt } = useAttempt()
const stale = ref(false)
const busy = ref(false)

async function load() {
  const { value, fresh } = await fetchOrKept(session.person!.id, 'units', listUnits)
  stale.value = !fresh
  units.value = value.units.map((u) => ({
    ...u,
    words: [u.title, u.serial, u.customer.name, u.site.name, ...(value.sheets[u.sheet]?.words ?? [])],
    codes: value.sheets[u.sheet]?.codes ?? [],
  }))
  const asked = units.value.find((u) => u.id === route.query.unit)
  if (asked && !unit.value) await choose(asked)
}
void attempt(load)
onScopeDispose(hear(({ type }) => type === 'again' && stale.value && void attempt(load)))

const choose = (m: Findable) =>
  attempt(async () => {
    unit.value = m
    facts.value = undefined
    record = undefined
    picked.value = []
    before.value = []
    code.value = ''
    void preloadRouteComponents('/jobs/new-one/call').catch(() => undefined)
    const computed = predictionsOf({ revision: m.revision, engine: state })
    const [files, seen] = await Promise.all([sheetOf(m.revision), shopRecordNow(m.id)])
    const opened = await engine.open(files, seen)
    if (unit.value !== m) return
    facts.value = opened
    record = seen && { seen, at: Date.now() }
    // The job that follows finds the machine open, and what is likely there computed.
    if (!opened.basis)
      void computed.then((bytes) => bytes && unit.value === m && engine.provide(bytes)).catch(() => undefined)
    await nextTick()
    told.value?.scrollIntoView({ block: 'center' })
  })

// What the job asks first is computed while the call is still being told. What the shop's own readings move is left to the
// job, which knows what this device has of it.
watch([picked, before], ([complaints, circumstances]) => {
  if (!complaints.length || !facts.value || facts.value.basis) return
  const call = { ...foldJob([]), complaints: [...complaints], circumstances: [...circumstances] }
  void engine.rehearse(questionOf(call, session.person!)).catch(() => undefined)
})

const begin = () =>
  attempt(async () => {
    busy.value = true
    try {
      const job = await openJob(
        session.person!,
        unit.value!,
        {
          complaints: [...picked.value],
          circumstances: [...before.value],
          words: words.value,
          code: code.value,
        },
        record && Date.now() - record.at < RECORD_HOLDS ? record.seen : undefined,
      )
      await router.push(`/jobs/${job}/call`)
    } finally {
      busy.value = false
    }
  })
const turned = (list: string[], id: string) => (list.includes(id) ? list.filter((x) => x !== id) : [...list, id])
</script>

<template>
  <main class="page narrow">
    <h1>New call</h1>
    <p v-if="session.person?.role === 'read-only'" role="alert" class="card">
      {{ describeRefusal({ code: 'read-only' }) }}
    </p>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
    <TroubleBar
      v-else-if="stale"
      text="The server cannot be reached. A call on a machine that was opened here before is kept and sent later."
    />
    <section>
      <label class="find"
        ><h2>Which machine?</h2>
        <InputText
          v-model="query"
          fluid
          placeholder="Maker, model, customer, code, lamps or complaint"
          aria-label="Find a machine"
        />
      </label>
      <p v-if="query && !found.length" class="soft">
        Nothing fits. Try the model alone, or the customer. Spelling and hyphens do not matter.
      </p>
      <ul class="choices" aria-label="Machines found">
        <!-- The place in the list is the row: nothing is moved about while somebody types. -->
        <li v-for="(m, i) in found" :key="i">
          <button type="button" class="card choice" :aria-pressed="unit?.id === m.id" @click="choose(m)">
            <strong>{{ m.title }}</strong><span class="soft small">{{ m.customer.name }}, {{ m.site.name }}</span
            ><span v-for="c in meant(m)" :key="c.code" class="small"
              ><strong>{{ c.code }}</strong
              >: {{ c.title }}{{ c.lamps ? ` (${c.lamps})` : '' }}</span
            >
          </button>
        </li>
      </ul>
    </section>
    <section v-if="unit && !facts && !trouble" class="soft">Opening the sheet …</section>
    <template v-if="facts">
      <section ref="told">
        <label class="words"
          ><h2>What does the customer say, in their own words?</h2>
          <Textarea
            v-model="words"
            maxlength="4000"
            rows="3"
            fluid
            placeholder="Worked until the plumber was here on Tuesday …"
          />
        </label>
      </section>
      <section>
        <h2>What of this is it?</h2>
        <div class="chips">
          <button
            v-for="c in complaints"
            :key="c.id"
            type="button"
            class="chip"
            :class="{ meant: suggested.includes(c.id) }"
            :aria-pressed="picked.includes(c.id)"
            @click="picked = turned(picked, c.id)"
          >
            {{ c.words }}
          </button>
        </div>
      </section>
      <section v-if="unit?.codes.length">
        <h2>Does it show a code or a pattern of lamps?</h2>
        <div class="chips">
          <button
            v-for="c in unit.codes"
            :key="c.code"
            type="button"
            class="chip"
            :aria-pressed="code === c.code"
            :title="c.means"
            @click="code = code === c.code ? '' : c.code"
          >
            {{ c.code }}: {{ c.title }}{{ c.lamps ? `, ${c.lamps}` : '' }}
          </button>
        </div>
        <p v-if="code" class="soft small">
          {{ code }}: {{ unit.codes.find((c) => c.code === code)?.means }}. It is entered as the first reading.
        </p>
      </section>
      <section>
        <h2>What was done or noticed lately?</h2>
        <div class="chips">
          <button
            v-for="c in facts.circumstances"
            :key="c.id"
            type="button"
            class="chip"
            :aria-pressed="before.includes(c.id)"
            @click="before = turned(before, c.id)"
          >
            {{ c.words }}
          </button>
        </div>
      </section>
      <div class="bar">
        <span v-if="!picked.length" class="soft small">Pick at least one complaint.</span>
        <Button :disabled="!picked.length || session.person?.role === 'read-only'" :loading="busy" @click="begin"
          >Begin the job</Button
        >
      </div>
    </template>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 900px;
}
section {
  display: grid;
  gap: 0.6rem;
}
.find {
  display: grid;
  gap: 0.6rem;
}
.choices {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 0.6rem;
}
.choice {
  width: 100%;
  height: 100%;
  display: grid;
  text-align: left;
  cursor: pointer;
  min-height: 64px;
}
.choice[aria-pressed='true'] {
  border: 3px solid var(--ink);
  background: var(--shade);
}
.meant {
  border: 2px dashed var(--ink);
}
.words {
  display: grid;
  gap: 0.6rem;
}
.bar {
  position: sticky;
  bottom: 0;
  background: var(--paper);
  padding: 0.7rem 0;
  display: flex;
  justify-content: flex-end;
  gap: 1rem;
  align-items: center;
}
/* Above the bar of places, not behind it. */
@media (max-width: 700px) {
  .bar {
    bottom: calc(3.7rem + env(safe-area-inset-bottom));
  }
}
</style>
