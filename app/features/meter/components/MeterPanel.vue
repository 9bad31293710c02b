<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { NuxtLink } from '#components'
import { DEFAULT_UNIT, formatIn, type Dimension } from '../../../../core/foundation/quantity'
import { METER_READS, writeTrace, type MeterReads, type SeenCall } from '../../../../core/metering'
import { describeLink, describeSeenCall, formatClock } from '../../../../core/words'
import { useBeeps, useKeys } from '../../../ui'
import { keptMeter, keepMeter } from '../kept-meter'
import { saveFile } from '../../../data/save-file'
import { useMeterLink } from '../use-meter-link'
import { useMeters } from '../use-meters'
import { useSeenTrace } from '../use-seen-trace'

/** A linked meter: its value large, taken by one key or where it comes to rest, with its trace. */
const props = withDefaults(
  defineProps<{
    /** What it has to read; left out, the person chooses. */
    reads?: MeterReads | undefined
    /** What a good machine's meter shows through the run that goes on, s and SI. */
    spans?: readonly { from: number; to: number; si: number }[] | undefined
    /** Seconds of the run that goes on; `undefined` while none does. */
    runNow?: (() => number) | undefined
    /** The stretch of that run in which it is read, and whether that was seen to begin: what is not shown before is no reading. */
    within?: { from: number; to: number } | undefined
    begun?: boolean
    /** What it is put to: its key, where several stand on a page, is only that of the first. */
    title: string
    /** Under which its open line is kept for a page that is loaded again; left out, it is not. */
    place?: string | undefined
    withKey?: boolean
  }>(),
  {
    reads: undefined,
    spans: undefined,
    runNow: undefined,
    within: undefined,
    begun: true,
    place: undefined,
    withKey: true,
  },
)
const emit = defineEmits<{ take: [si: number]; enter: [si: number] }>()
const MeterChart = defineAsyncComponent(() => import('./MeterChart.vue'))
const beeps = useBeeps()
const { meters, trouble, asked, mayRead } = useMeters()

const atRest = ref(false)
const link = useMeterLink((si) => atRest.value && take(si))
const { state, away, live, held, strange, opened } = link
const READS: Record<MeterReads, { title: string; dimension: Dimension }> = {
  'volts-ac': { title: 'Volts, alternating', dimension: 'voltage' },
  'volts-dc': { title: 'Volts, direct', dimension: 'voltage' },
  ohms: { title: 'Ohms', dimension: 'resistance' },
  'amps-ac': { title: 'Amperes, alternating', dimension: 'current' },
}
const chosen = ref<string>()
watch(meters, (list) => {
  chosen.value ??= list[0]?.id
  // One that is no longer allowed has no line.
  if (opened.value && !list.some((m) => m.id === opened.value?.meter)) close()
})
const picked = ref<MeterReads>('volts-ac')
const its = computed(() => props.reads ?? picked.value)
const dimension = computed(() => READS[its.value].dimension)
const mains = computed(() => its.value !== 'ohms')
watch(its, (reads) => opened.value && link.open(opened.value.meter, reads))
function open(): void {
  if (!chosen.value) return
  if (props.place) keepMeter(props.place, chosen.value)
  link.open(chosen.value, its.value)
}
function close(): void {
  if (props.place) keepMeter(props.place, undefined)
  link.close()
}
// A page that was loaded again goes on with the line that it had.
const before = props.place && keptMeter(props.place)
if (before) link.open((chosen.value = before), its.value)
/** A bench meter is read to a digit more than one in the hand. */
const DIGITS = 4
const FEW = 2
const format = (si: number) =>
  Number.isFinite(si) ? formatIn(si, dimension.value, 'metric', Math.abs(si) < 1 ? FEW : DIGITS) : 'OL'

const taken = ref('')
function take(si = live.value): void {
  if (si === undefined) return
  if (!Number.isFinite(si)) {
    taken.value = 'Beyond its range: nothing was taken.'
    beeps.refused()
    return
  }
  taken.value = `Taken: ${format(si)}`
  beeps.accepted()
  emit('take', si)
}
useKeys(!props.withKey ? {} : { m: () => take() })
const says = computed(() => {
  if (away.value) return 'The server does not answer. It is tried again; what was read stays.'
  const own = state.value
  if (own && own.reads !== its.value)
    return `Somebody else has set it to ${READS[own.reads].title.toLowerCase()}. Close the line and open it anew to set it back.`
  if (!own || own.is === 'connecting') return 'The line is being opened.'
  return own.is === 'lost'
    ? describeLink(own.why ?? 'broken', own.text)
    : `Line to ${(own.name ?? '').split(',').slice(0, 3).join(', ')}`
})
const isLost = computed(
  () => away.value || state.value?.is === 'lost' || (state.value !== undefined && state.value.reads !== its.value),
)

const { shown, expected, calls, stretches } = useSeenTrace(link, isLost, props)
/** What was shown of a call that is due while it is read can be entered once it is over. */
const isRead = ({ expected: due, is, most }: SeenCall) =>
  most !== undefined &&
  due !== undefined &&
  (is === 'came' || is === 'never') &&
  (!props.within || (due.from < props.within.to && due.to > props.within.from))
function saveTrace(): void {
  const name = `${READS[its.value].title} (${DEFAULT_UNIT[dimension.value].symbol})`
  saveFile(`${props.title}.csv`, writeTrace(link.traced(name).trace))
}
</script>

<template>
  <section class="meter" :aria-label="`Linked meter: ${title}`">
    <template v-if="!opened">
      <p v-if="trouble" role="alert">{{ trouble }}</p>
      <p v-else-if="asked && !meters.length" class="small">
        No meter is allowed yet. A lead does that under <NuxtLink to="/tools/meter">Tools, Linked meter</NuxtLink>.
      </p>
      <template v-else>
        <div class="row">
          <Select v-model="chosen" :options="meters" option-label="name" option-value="id" aria-label="Which meter" />
          <Select
            v-if="!reads"
            v-model="picked"
            :options="METER_READS.map((id) => ({ id, title: READS[id].title }))"
            option-label="title"
            option-value="id"
            aria-label="What it reads"
          />
          <Button severity="secondary" :disabled="!chosen || !mayRead" @click="open">Open the line</Button>
        </div>
        <p v-if="!mayRead" class="small">Your role may look at jobs, not measure.</p>
        <p class="small soft">
          {{
            mains
              ? 'Mains only with inputs that are isolated and of the category of the place (CAT II behind a socket, CAT III in fixed wiring), leads of the same. Tips go on dead.'
              : 'Ohms only on what is isolated and proved dead.'
          }}
        </p>
      </template>
    </template>
    <template v-else>
      <p class="value number" role="status" aria-label="Live value">{{ live === undefined ? '–' : format(live) }}</p>
      <p class="small" :class="{ bad: isLost }" :role="isLost ? 'alert' : 'note'" aria-label="Line">{{ says }}</p>
      <p v-if="strange" class="small bad" role="alert">It sent what is no number: “{{ strange }}”. Left out.</p>
      <div class="row">
        <Button :disabled="live === undefined" @click="take()">Take <kbd v-if="withKey">M</kbd></Button>
        <label class="rest"><input v-model="atRest" type="checkbox" /> Take it where it comes to rest</label>
        <span v-if="taken" class="small" role="status" aria-label="Taken">{{ taken }}</span>
      </div>
      <p v-if="held" class="small number">
        Trace: highest {{ format(held.most) }}, lowest {{ format(held.least)
        }}<span v-if="held.over">, beyond its range {{ held.over }} times</span>
      </p>
      <MeterChart
        v-if="shown"
        :points="shown.points"
        :calls="expected?.calls ?? []"
        :from="shown.from"
        :to="shown.to"
        :high="expected?.high ?? 0"
        :title="title"
        :unit="DEFAULT_UNIT[dimension].symbol"
      />
      <ul v-if="calls.length" class="calls" aria-label="Calls">
        <li v-for="(c, k) in calls" :key="k" class="number small" :class="{ bad: c.is === 'never' }">
          {{ describeSeenCall(c)
          }}<template v-if="isRead(c)"
            >, {{ format(c.most!) }} at most
            <button v-if="begun || c.is === 'came'" type="button" class="chip" @click="emit('enter', c.most!)">
              Enter {{ format(c.most!) }}
            </button>
            <span v-else class="soft">(mark that its phase has begun; then this is a reading)</span>
          </template>
        </li>
      </ul>
      <ul v-else-if="stretches.length" class="calls" aria-label="When it was on">
        <li v-for="(s, k) in stretches" :key="k" class="number small">
          {{ formatClock(s.from) }} to {{ formatClock(s.to) }}, {{ format(s.mean) }} on the mean
        </li>
      </ul>
      <div class="row">
        <button type="button" class="chip" @click="saveTrace">Save the trace</button>
        <button type="button" class="chip" @click="link.forget">Begin the trace anew</button>
        <button type="button" class="chip push" @click="close">Close the line</button>
      </div>
    </template>
  </section>
</template>

<style scoped>
.meter {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
}
.value {
  margin: 0;
  font-size: 3rem;
  line-height: 1.1;
  font-weight: 700;
  min-height: 1.1em;
}
.rest {
  min-height: 44px;
  display: flex;
  align-items: center;
  gap: 0.5rem;
}
.calls {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 0.3rem;
}
.bad {
  color: var(--danger);
}
</style>
