<script setup lang="ts">
import { v7 as uuidv7 } from 'uuid'
import { fits, search } from '../../../core/explain/search'
import type { MachineFacts } from '../../workers/bench.worker'

interface Machine {
  id: string
  sheet: string
  title: string
  customer: string
  place: string
  words: string[]
  codes: { code: string; title: string; means: string; lamps?: string }[]
}
const machines = ref<Machine[]>([])
const machine = ref<Machine>()
const facts = ref<MachineFacts>()
const picked = ref<string[]>([])
const words = ref('')
const query = ref('')
/** Code that the machine shows, as a reading. */
const code = ref('')
const found = computed(() => search(machines.value, query.value))
/** Codes whose name or lamps the query names. */
const meant = (m: Machine) =>
  query.value.trim() ? m.codes.filter((c) => fits({ words: [c.code, c.lamps ?? ''] }, query.value)) : []
const trouble = ref('')
const busy = ref(false)
const bench = useBench()
// Made once, so that sending the same call twice opens one job.
const job = uuidv7()
const first = uuidv7()
const reading = uuidv7()

async function attempt(act: () => Promise<void>) {
  try {
    await act()
    trouble.value = ''
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error)
  }
}
onMounted(() =>
  attempt(async () => void (machines.value = (await ask<{ machines: Machine[] }>('/api/machines')).machines)),
)

const choose = (m: Machine) =>
  attempt(async () => {
    machine.value = m
    facts.value = undefined
    picked.value = []
    code.value = ''
    facts.value = await bench.open(
      (await ask<{ sheets: { id: string; file: string; text: string }[] }>(`/api/machines/${m.id}/sheet`)).sheets,
    )
  })

const open = () =>
  attempt(async () => {
    busy.value = true
    try {
      await ask('/api/jobs', 'POST', {
        job,
        machine: machine.value!.id,
        event: {
          id: first,
          v: 1,
          at: new Date().toISOString(),
          device: localStorage.getItem('device') ?? 'this device',
          what: { is: 'opened', machine: machine.value!.id, complaints: picked.value, words: words.value },
        },
      })
      if (code.value)
        await ask(`/api/jobs/${job}/events`, 'POST', {
          events: [
            {
              id: reading,
              v: 1,
              at: new Date().toISOString(),
              device: localStorage.getItem('device') ?? 'this device',
              what: { is: 'reading', test: 'control.code', text: code.value },
            },
          ],
        })
      await navigateTo(`/jobs/${job}`)
    } finally {
      busy.value = false
    }
  })
const turn = (id: string) =>
  (picked.value = picked.value.includes(id) ? picked.value.filter((x) => x !== id) : [...picked.value, id])
</script>

<template>
  <main class="page narrow">
    <h1>New call</h1>
    <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
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
      <div class="choices">
        <button
          v-for="m in found"
          :key="m.id"
          type="button"
          class="card choice"
          :aria-pressed="machine?.id === m.id"
          @click="choose(m)"
        >
          <strong>{{ m.title }}</strong><span class="soft small">{{ m.customer }}, {{ m.place }}</span
          ><span v-for="c in meant(m)" :key="c.code" class="small"
            ><strong>{{ c.code }}</strong
            >: {{ c.title }}{{ c.lamps ? ` (${c.lamps})` : '' }}</span
          >
        </button>
      </div>
    </section>
    <section v-if="machine && !facts && !trouble" class="soft">Opening the sheet …</section>
    <template v-if="facts">
      <section>
        <h2>What does the customer say?</h2>
        <div class="says">
          <button
            v-for="c in facts.complaints"
            :key="c.id"
            type="button"
            class="say"
            :aria-pressed="picked.includes(c.id)"
            @click="turn(c.id)"
          >
            {{ c.says }}
          </button>
        </div>
      </section>
      <section v-if="machine?.codes.length">
        <h2>Does it show a code or a pattern of lamps?</h2>
        <div class="says">
          <button
            v-for="c in machine.codes"
            :key="c.code"
            type="button"
            class="say"
            :aria-pressed="code === c.code"
            :title="c.means"
            @click="code = code === c.code ? '' : c.code"
          >
            {{ c.code }}: {{ c.title }}{{ c.lamps ? `, ${c.lamps}` : '' }}
          </button>
        </div>
        <p v-if="code" class="soft small">
          {{ code }}: {{ machine.codes.find((c) => c.code === code)?.means }}. It is entered as the first reading.
        </p>
      </section>
      <section>
        <label class="words"
          ><h2>In their own words, and what was moved or done lately</h2>
          <Textarea v-model="words" rows="3" fluid placeholder="Worked until the plumber was here on Tuesday …" />
        </label>
      </section>
      <div class="bar">
        <Button :disabled="!picked.length" :loading="busy" @click="open">Begin the job</Button>
        <span v-if="!picked.length" class="soft small">Pick at least one complaint.</span>
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
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 0.6rem;
}
.choice {
  display: grid;
  text-align: left;
  cursor: pointer;
  min-height: 64px;
}
.choice[aria-pressed='true'],
.say[aria-pressed='true'] {
  border: 3px solid var(--good);
  background: color-mix(in srgb, var(--good) 12%, var(--card));
}
.says {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
.say {
  border: 2px solid var(--line);
  background: var(--card);
  border-radius: 99px;
  padding: 0 1.1rem;
  min-height: 48px;
  cursor: pointer;
}
.say[aria-pressed='true']::before {
  content: '✓ ';
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
  gap: 1rem;
  align-items: center;
}
</style>
