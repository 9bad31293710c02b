<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed } from 'vue'
import { formatQuantity } from '../../../../core/foundation/quantity'
import { useEar, type EarMode, type Lesson } from '../use-ear'

/** The phone's microphone as an instrument: it says when something begins and ends, and the person says of what. */
defineProps<{ compact?: boolean }>()
const emit = defineEmits<{ heard: [turn: 'on' | 'off', ago: number] }>()
const ear = useEar((turn, ago) => emit('heard', turn, ago))
const { state, treatment, mode, lesson, has, taught, hearing, on, height, stretches, groups, load } = ear

const MODES: { id: EarMode; title: string; what: string }[] = [
  { id: 'hum-50', title: 'A coil on alternating current, 50 Hz', what: 'hum' },
  { id: 'hum-60', title: 'A coil on alternating current, 60 Hz', what: 'hum' },
  { id: 'motor', title: 'A motor or a pump', what: 'noise' },
  { id: 'beeps', title: 'The beeps of an alarm', what: 'beeps' },
]
const what = computed(() => MODES.find((m) => m.id === mode.value)!.what)
const LESSONS: Record<Lesson, string> = { quiet: 'Without it', sound: 'With it' }
/** What this device does to sound though it was asked not to. */
const kept = computed(() => {
  const t = treatment.value
  if (!t) return []
  return [
    t.echoCancellation && 'echo cancelling',
    t.noiseSuppression && 'noise suppression',
    t.autoGainControl && 'gain control',
  ].filter((x): x is string => typeof x === 'string')
})
const unsaid = computed(() => treatment.value && Object.values(treatment.value).some((x) => x === undefined))
const quality = computed(() => {
  const t = taught.value
  if (!t) return ''
  const by = `it rises by ${t.rise.toFixed(1)} dB and wavers by ${t.wavers.toFixed(1)} dB`
  if (hearing.value === 'well') return `Signal to noise: ${by}. Begin and end are told to ± 0.2 s.`
  if (t.fades) return `Cannot tell: the sound fades while it goes on. This device takes away what is steady.`
  return `Cannot tell: ${by}, too little. Closer to it, away from other noise, then teach again.`
})
const now = computed(() => (on.value ? `${what.value} heard` : `no ${what.value}`))
const length = (s: { from: number; to: number | undefined }) =>
  s.to === undefined ? 'goes on' : formatQuantity(Math.round((s.to - s.from) * 10) / 10, 'time')
</script>

<template>
  <section class="ear" aria-label="Ear">
    <template v-if="state !== 'open'">
      <p v-if="state === 'denied'" role="alert">
        The microphone is not allowed here. Allow it for this page in the browser.
      </p>
      <p v-else-if="state === 'none'" role="alert">This device has no microphone that a page can use.</p>
      <Button :disabled="state === 'asking'" :severity="compact ? 'secondary' : undefined" @click="ear.open"
        >Open the microphone</Button
      >
      <p class="small soft">Everything is heard on this device. Nothing is kept, nothing is sent.</p>
    </template>
    <template v-else>
      <label class="field"
        ><span class="small">What to listen for</span>
        <Select
          v-model="mode"
          :options="MODES"
          option-label="title"
          option-value="id"
          aria-label="What to listen for"
          fluid
        />
      </label>
      <p v-if="kept.length" class="small" role="note">
        <strong>This device keeps {{ kept.join(' and ') }} on</strong> though it was asked not to: a steady sound may be
        taken away.
      </p>
      <p v-else-if="unsaid" class="small soft">This device does not say whether it leaves sound as it is.</p>
      <p v-else class="small soft">Echo cancelling, suppression and gain control are off, as the device says.</p>

      <template v-if="mode === 'beeps'">
        <p class="state number" role="status">{{ groups.length ? groups.join(', ') : 'none yet' }}</p>
        <p class="small soft">Beeps in each group, told apart by silence of more than a second and a half.</p>
      </template>
      <template v-else>
        <div class="row" role="group" aria-label="Teaching">
          <Button
            v-for="which in ['quiet', 'sound'] as const"
            :key="which"
            :severity="has[which] ? 'secondary' : undefined"
            :disabled="lesson !== undefined"
            @click="ear.begin(which)"
            >{{ lesson === which ? 'Listening …' : `${LESSONS[which]}${has[which] ? ': again' : ''}` }}</Button
          >
        </div>
        <p v-if="!taught" class="small soft">
          Two seconds of the place without the sound, two with it. Then it is told when it begins and ends.
        </p>
        <template v-else>
          <p class="small" :role="hearing === 'well' ? 'note' : 'alert'" aria-label="How well it hears">
            {{ quality }}
          </p>
          <p v-if="hearing === 'well'" class="state" role="status">{{ now }}</p>
          <meter
            v-if="hearing === 'well'"
            min="0"
            :max="Math.max(1, taught.rise * 1.3)"
            :value="Math.max(0, height)"
            aria-label="Height of the sound"
          />
        </template>
        <ol v-if="stretches.length" class="small" aria-label="Heard">
          <li v-for="(s, k) in stretches" :key="k" class="number">{{ k + 1 }}: {{ length(s) }}</li>
        </ol>
        <p class="small soft">
          Silence proves nothing: a coil on direct current does not hum, and a jammed plunger may hum as well. Say
          yourself what it was.
        </p>
      </template>
      <p class="row small soft">
        <span>{{ (100 * load).toFixed(1) }} % of its time goes into hearing</span>
        <button type="button" class="chip push" @click="ear.close">Close the microphone</button>
      </p>
    </template>
  </section>
</template>

<style scoped>
.ear {
  display: grid;
  gap: 0.6rem;
}
.field {
  display: grid;
  gap: 0.2rem;
}
.state {
  font-size: 1.8rem;
  font-weight: 700;
}
meter {
  width: 100%;
  height: 1.2rem;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
  columns: 2;
}
</style>
