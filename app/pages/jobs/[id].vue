<script setup lang="ts">
import { missingSteps } from '../../../core/job'
import type { TestCard as Card, View } from '../../../core/explain'
import type { Bands } from '../../../core/machine'
import type { Order } from '../../../core/plan'
import type { MachineFacts, Written } from '../../workers/bench.worker'

const route = useRoute()
const job = useJob()
const bench = useBench()
const facts = shallowRef<MachineFacts>()
const view = shallowRef<View>()
const card = shallowRef<Card>()
const chosen = ref<string>()
/** Instrument chosen for the test on the card; the usual one when undefined. */
const meter = ref<string>()
const probeRefused = ref('')
const part = ref(-1)
const text = ref('')
const broken = ref('')
const cardBox = useTemplateRef<{ focus(): void }>('cardBox')

const order = computed(() => job.state.order as Order)
const bands = computed(() => job.state.bands as Bands)
const written = computed<Written[]>(() => [
  ...job.state.complaints.map((complaint) => ({ complaint })),
  ...job.state.log.map((l) =>
    l.is === 'reading'
      ? { test: l.test, reading: l.text, ...(l.instrument === undefined ? {} : { instrument: l.instrument }) }
      : { action: `${l.action.verb} ${l.action.target ?? ''}`.trim() },
  ),
])

onMounted(() => job.load(String(route.params.id)))
onBeforeUnmount(() => job.leave())

watch(
  () => job.machine?.id,
  async (machine) => {
    if (!machine) return
    try {
      facts.value = await bench.open(
        (await ask<{ sheets: { id: string; file: string; text: string }[] }>(`/api/machines/${machine}/sheet`)).sheets,
      )
      await think()
    } catch (error) {
      broken.value = error instanceof Error ? error.message : String(error)
    }
  },
  { immediate: true },
)

let round = 0
/** Whether the advice shown answers an older question than the one asked now. */
const thinking = ref(false)
/** Asks the worker: first the quick answer, then the settled one. Only the newest question counts. */
async function think() {
  if (!facts.value) return
  const mine = ++round
  thinking.value = true
  const evidence = JSON.parse(JSON.stringify(written.value)) as Written[]
  try {
    for (const quick of [true, false]) {
      const answer = await bench.view(evidence, order.value, bands.value, quick)
      if (mine !== round) return
      view.value = answer
      await turnCard(evidence, mine, quick)
    }
    if (mine === round) thinking.value = false
  } catch (error) {
    broken.value = error instanceof Error ? error.message : String(error)
  }
}
async function turnCard(evidence: Written[], mine: number, quick = false) {
  // A card on which somebody is already writing stays.
  const begun =
    text.value && card.value && view.value?.next.some((n) => n.id === card.value?.id) ? card.value.id : undefined
  const test = chosen.value ?? begun ?? view.value?.next[0]?.id
  const next =
    test === undefined ? undefined : await bench.card(evidence, order.value, bands.value, test, meter.value, quick)
  if (mine === round) card.value = next
}
/** The question as text: a note or a safety step asks nothing new, and must not turn the card over. */
const question = computed(() => JSON.stringify([written.value, order.value, bands.value]))
watch(question, think)

const missing = computed(() => {
  if (!card.value || !facts.value) return []
  const need = missingSteps(card.value.school, facts.value.makeSafe, job.state).map((s) => s.id)
  return facts.value.makeSafe.filter((s) => need.includes(s.id))
})
/** What was read and what was repaired in vain, newest first. */
const rows = computed(() => {
  const waiting = new Set(job.unsent.map((e) => e.id))
  let read = 0
  return job.state.log
    .flatMap((l) => {
      const common = { event: l.event, at: l.at, waiting: waiting.has(l.event) }
      if (l.is === 'action') {
        if (l.action.verb !== 'repair') return []
        const title = facts.value?.repairs.find((r) => r.id === l.action.target)?.title ?? l.action.target ?? ''
        return [{ ...common, title, text: 'done', verdict: 'It still failed', doubt: '', fits: 'none' as const }]
      }
      const judged = view.value?.readings[read++]
      const fits = judged?.test === l.test ? judged : undefined
      return [
        {
          ...common,
          title: fits?.title ?? facts.value?.tests.find((t) => t.id === l.test)?.title ?? l.test,
          text: fits?.text ?? l.text,
          verdict: fits?.verdict ?? 'judging …',
          doubt: fits?.doubt ?? '',
          fits: fits?.fits ?? ('none' as const),
        },
      ]
    })
    .toReversed()
})
const stands = computed(
  () => view.value && view.value.state !== 'testing' && !chosen.value && view.value.remedies.length > 0,
)

function take(answer: string) {
  if (!card.value || missing.value.length || job.state.closed) return
  const other = card.value.meter !== card.value.meters[0]?.id || card.value.id.includes(' to ')
  const instrument = other ? card.value.meter : undefined
  job.enter({ is: 'reading', test: card.value.id, text: answer, ...(instrument === undefined ? {} : { instrument }) })
  text.value = ''
  chosen.value = undefined
  meter.value = undefined
  part.value = -1
}
function lay(test: string, instrument?: string) {
  chosen.value = test
  meter.value = instrument
  void turnCard(JSON.parse(JSON.stringify(written.value)) as Written[], round)
}
function choose(test: string, instrument?: string) {
  text.value = ''
  lay(test, instrument)
  window.scrollTo({ top: 0, behavior: 'smooth' })
}
/** The same test with another instrument; what is typed stays. */
function turnMeter(id: string) {
  if (card.value) lay(card.value.id, id)
}
async function probe(words: string, instrument: string) {
  const found = await bench.probe(words, instrument)
  probeRefused.value = 'refused' in found ? found.refused : ''
  if ('id' in found) choose(found.id, instrument)
}
function best() {
  chosen.value = undefined
  meter.value = undefined
  void think()
}
/** Parts that hands have parted and not yet put back. */
const parted = computed(() => {
  const out = new Set<string>()
  for (const l of job.state.log) {
    if (l.is !== 'action' || l.action.target === undefined) continue
    if (l.action.verb === 'unplug') out.add(l.action.target)
    if (l.action.verb === 'plug') out.delete(l.action.target)
  }
  return [...out]
})
const handsOn = computed(
  () => !job.state.closed && !!facts.value && !missingSteps('live', facts.value.makeSafe, job.state).length,
)
const undo = (event: string) => job.enter({ is: 'retracted', event })
const safety = (step: string) => job.enter({ is: 'safety', step })
const answer = (word: 'yes' | 'no') => card.value?.shape.takes === 'yes-no' && take(word)

useKeys({
  r: () => cardBox.value?.focus(),
  y: () => void answer('yes'),
  x: () => void answer('no'),
  s: () => missing.value[0] && safety(missing.value[0].id),
  u: () => rows.value[0] && !job.state.closed && undo(rows.value[0].event),
  escape: () => (document.activeElement as HTMLElement | null)?.blur(),
})
</script>

<template>
  <main class="page">
    <div class="row head">
      <div>
        <h1>{{ job.machine?.title ?? 'Job' }}</h1>
        <p class="soft small">
          {{ job.machine ? `${job.machine.customer}, ${job.machine.place}` : '' }}
          <template v-if="facts">
            ·
            {{
              job.state.complaints.map((c) => facts?.complaints.find((x) => x.id === c)?.says ?? c).join(', ')
            }}</template
          >
        </p>
      </div>
      <WaysOfWorking
        :order="order"
        :bands="bands"
        :closed="!!job.state.closed"
        @order="job.enter({ is: 'order', order: $event })"
        @bands="job.enter({ is: 'bands', bands: $event })"
      />
    </div>
    <TroubleBar v-if="job.trouble" :text="job.trouble" :waiting="job.unsent.length" />
    <p v-if="job.refused" role="alert" class="card">{{ job.refused }}</p>
    <p v-if="broken" role="alert" class="card">This machine cannot be run: {{ broken }}</p>
    <section v-if="job.state.closed" class="card row" aria-label="Closed">
      <strong
        >Closed:
        {{ facts?.repairs.find((r) => r.id === job.state.closed?.repair)?.title ?? job.state.closed.repair }}.</strong
      >
      <span>{{ job.state.closed.text }}</span>
      <Button class="push" severity="secondary" @click="job.enter({ is: 'reopened' })">Reopen</Button>
    </section>
    <p v-if="!view && !broken && !job.trouble" class="soft">Running the machine, healthy and broken …</p>
    <template v-if="facts && view">
      <section class="card lines">
        <MachinePicture
          :lines="facts.lines"
          :parts="facts.parts"
          :links="view.links"
          :next="stands ? -1 : (card?.part ?? -1)"
          @pick="part = $event"
        />
      </section>
      <div class="desk" :data-settled="view.settled && !thinking">
        <div class="left">
          <CauseCard
            v-if="stands && !job.state.closed"
            :view="view"
            :jumpers="job.state.jumpers"
            @close="(repair, note) => job.enter({ is: 'closed', repair, text: note })"
            @take="choose"
            @failed="job.enter({ is: 'action', action: { verb: 'repair', target: $event } })"
            @unjumper="job.enter({ is: 'action', action: { verb: 'unjumper', target: $event } })"
          />
          <TestCard
            v-if="card && !stands"
            ref="cardBox"
            v-model:text="text"
            :card="card"
            :missing="missing"
            :best="!chosen"
            :closed="!!job.state.closed"
            @taken="take"
            @safety="safety"
            @best="best"
            @meter="turnMeter"
            @first="choose"
          />
          <TestChooser
            :tests="facts.tests"
            :view="view"
            :part="part"
            :parts="facts.parts"
            @choose="choose"
            @clear="part = -1"
            :jumpers="job.state.jumpers"
            :parted="parted"
            :hands-on="handsOn"
            @act="(verb, target) => job.enter({ is: 'action', action: { verb, target } })"
          >
            <ProbeForm :facts="facts" :refused="probeRefused" @probe="probe" />
          </TestChooser>
        </div>
        <div class="right">
          <SuspectList :view="view" />
          <ReadingHistory :rows="rows" :closed="!!job.state.closed" @undo="undo" />
        </div>
      </div>
    </template>
  </main>
</template>

<style scoped>
.lines {
  padding: 0.5rem;
}
.desk {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(0, 5fr);
  gap: 1rem;
  align-items: start;
}
.left,
.right {
  display: grid;
  gap: 1rem;
}
@media (max-width: 900px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
}
/* Room for the entry that stands at the thumb. */
@media (max-width: 700px) {
  .page {
    padding-bottom: 15rem;
  }
}
</style>
