<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { capital, describeTipping } from '../../../../../core/words'
import { AppIcon } from '../../../../ui'
import { useChoices } from '../../use-choices'
import { useJobContext } from '../../use-job-context'
import ActCard from '../find/ActCard.vue'
import LeaveUnsafe from './LeaveUnsafe.vue'
import NotWorthIt from './NotWorthIt.vue'
import OnOrder from './OnOrder.vue'
import OptionRow from './OptionRow.vue'
import QuoteForm from './QuoteForm.vue'

/** What to do about it: the repairs that the sheet offers for the leading causes, what each comes to, and what the customer says. */
const context = useJobContext()
const { id, job, advice, person, locked, enter } = context
const { state } = job
const { view } = advice
const router = useRouter()
const { choices, fault, hour } = useChoices(context)

const tapped = ref('')
const options = computed(() => choices.value?.options ?? [])
const decided = computed(() => state.value.decided)
const chosen = computed(
  () =>
    options.value.find((o) => o.id === (tapped.value || decided.value?.repair)) ??
    options.value.find((o) => o.id === decided.value?.repair) ??
    options.value[0],
)
const most = computed(() => Math.max(1, ...options.value.map((o) => o.total)))
/** What would make another one the better choice, the nearest figure of each. */
const tippings = computed(() =>
  options.value.flatMap((o) => {
    const says = o.tippings.slice(0, 2).map((t) => describeTipping(t, person.currency))
    return says.length ? [{ id: o.id, text: `${capital(o.title)} ${says.join(', or ')}.` }] : []
  }),
)
const interim = computed(() => chosen.value?.guide.interim)
const forNow = ref(false)
const until = ref('')
const UNITS = computed(() => person.hourMinor / hour.value)
const lines = computed(() => {
  const own = chosen.value
  if (!own) return []
  const { partNumber } = own.guide
  return [
    { text: `Work: ${own.title}, ${own.minutes} min`, minor: Math.round((own.minutes / 60) * person.hourMinor) },
    ...(own.price
      ? [
          {
            text: `Part: ${own.title}${partNumber ? `, ${partNumber}` : ''}`,
            minor: Math.round(own.price * UNITS.value),
          },
        ]
      : []),
  ]
})
const parts = computed(() => {
  const own = chosen.value
  if (!own?.price) return []
  const { partNumber } = own.guide
  return [{ title: own.title, ...(partNumber ? { number: partNumber } : {}) }]
})
const comesBack = computed(() => view.value?.links.some((l) => l.state === 'intermittent') ?? false)
const stands = computed(() => view.value?.settled && view.value.state === 'cause-stands')
const refusedBy = computed(() => {
  const answer = state.value.quotes.at(-1)?.answer
  return answer && !answer.yes ? answer.who : ''
})

/** What has just come is bound to nobody's choice: the second half of a double tap decides nothing. */
const BOUND_AFTER = 600
let came = Infinity
watch(choices, (is) => is && came === Infinity && (came = performance.now()), { flush: 'post' })
async function decide() {
  const own = chosen.value
  if (!own || locked.value || performance.now() - came < BOUND_AFTER) return
  if (own.licensed) return enter({ type: 'closed', repair: own.id, text: '' })
  const already = decided.value
  const as = forNow.value ? 'interim' : 'for-good'
  if (already?.repair !== own.id || already.as !== as || (already.until ?? '') !== until.value)
    await job.enter({
      type: 'decided',
      repair: own.id,
      as,
      ...(forNow.value && until.value ? { until: until.value } : {}),
      ...(comesBack.value ? { returns: true as const } : {}),
    })
  await router.replace(`/jobs/${id}/repair`)
}
</script>

<template>
  <section v-if="view" class="step panes" aria-label="Decide">
    <div class="left">
      <ActCard aria-label="What to do" about="What could be done" paper="decide" low>
        <h2>What to do about it</h2>
        <p v-if="!stands" class="small" role="note">
          <strong>The cause is not clear yet.</strong> What is chosen now may be the wrong repair; that is reckoned in.
          More tests stand under Find.
        </p>
        <p v-if="fault" role="alert">{{ fault }}</p>
        <p v-else-if="!choices" class="soft">Reckoning what each comes to …</p>
        <div v-else role="radiogroup" aria-label="Repairs">
          <OptionRow
            v-for="(o, i) in options"
            :key="o.id"
            :option="o"
            :chosen="o.id === chosen?.id"
            :most="most"
            :currency="person.currency"
            :cheapest="i === 0 && options.length > 1"
            @choose="tapped = o.id"
          />
        </div>
        <ul v-if="tippings.length" class="small tippings" aria-label="What would change the choice">
          <li v-for="t in tippings" :key="t.id">{{ t.text }}</li>
        </ul>
        <div v-if="chosen && !chosen.licensed" class="stack small">
          <p v-if="chosen.wouldKill.length" class="before">
            <strong>Look before you fit it:</strong> {{ chosen.wouldKill.map((k) => k.title).join('; ') }} would undo
            this repair.
          </p>
          <p v-if="choices?.unproven.length" class="before">
            <strong>Still unproven in the same machine:</strong> {{ choices.unproven.join('; ') }}.
          </p>
          <p
            v-if="chosen.guide.partNumber || chosen.guide.kit.length || chosen.guide.substitutes.length"
            class="before"
          >
            <template v-if="chosen.guide.partNumber"><strong>Part</strong> {{ chosen.guide.partNumber }}. </template>
            <template v-if="chosen.guide.kit.length">In the kit: {{ chosen.guide.kit.join(', ') }}. </template>
            <template v-if="chosen.guide.substitutes.length"
              >May stand in: {{ chosen.guide.substitutes.join('; ') }}.</template
            >
          </p>
        </div>
        <p v-if="chosen?.caution" class="danger small"><AppIcon name="danger" /> {{ chosen.caution }}</p>
        <template v-if="choices && !locked" #act>
          <div class="stack">
            <div v-if="chosen && !chosen.licensed" class="row" role="radiogroup" aria-label="For how long">
              <label class="row"><input v-model="forNow" type="radio" name="for" :value="false" /> For good</label>
              <label class="row"><input v-model="forNow" type="radio" name="for" :value="true" /> For now</label>
              <input
                v-if="forNow"
                v-model="until"
                type="date"
                class="p-inputtext"
                aria-label="Done for good by"
                min="2000-01-01"
                max="2099-12-31"
              />
            </div>
            <p v-if="forNow && interim" class="small">{{ interim.text }}; done for good {{ interim.until }}.</p>
            <p v-if="refusedBy" class="small" role="note">{{ refusedBy }} said no to the price that was told last.</p>
            <Button :disabled="!chosen || (forNow && !until)" @click="decide">{{
              chosen?.licensed ? 'Handed over: close the job' : 'Go on: do this repair'
            }}</Button>
          </div>
        </template>
      </ActCard>
    </div>
    <div class="right">
      <QuoteForm
        v-if="chosen"
        :lines="lines"
        :currency="person.currency"
        :quotes="state.quotes"
        :locked="locked"
        @quote="(own, text) => enter({ type: 'quoted', currency: person.currency, lines: own, text })"
        @answer="(quote, yes, who) => enter({ type: 'answered', quote, yes, who })"
      />
      <OnOrder
        v-if="!locked"
        :parts="parts"
        :left="context.left.value"
        :bypassed="state.bypasses.length > 0"
        @wait="
          (text, ordered, on) =>
            enter({ type: 'awaits', what: 'part', text, parts: ordered, ...(on ? { until: on } : {}) })
        "
      />
      <NotWorthIt
        v-if="choices && options[0]"
        :repair="options[0].total"
        :upkeep="choices.upkeep"
        :currency="person.currency"
      />
      <LeaveUnsafe />
    </div>
  </section>
</template>

<style scoped>
@media (max-width: 900px) {
  .panes {
    padding-bottom: 11rem;
  }
}
.before {
  border-left: 5px solid var(--ink);
  padding-left: 0.7rem;
}
.danger {
  color: var(--danger);
}
.tippings {
  margin: 0;
  padding-left: 1.2rem;
}
label.row {
  min-height: 44px;
}
.left {
  align-content: stretch;
}
</style>
