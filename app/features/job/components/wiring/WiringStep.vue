<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { formatTime, PhotoPicker, UndoButton } from '../../../../ui'
import { useJobContext } from '../../use-job-context'
import ConnectorTable from './ConnectorTable.vue'
import JobPhoto from './JobPhoto.vue'
import LabelForm, { type Label } from './LabelForm.vue'
import MakeSafe from '../safe/MakeSafe.vue'

/** What goes where, before it comes off: photos and labels; what is off; and the way back. */
const context = useJobContext()
const { id, person, job, advice, locked, repairSteps, photos, unsentPhotos } = context
const { state } = job
const { facts } = advice
const router = useRouter()

const chosen = ref<string>()
const shown = computed(() => state.value.photos.find((p) => p.event === chosen.value) ?? state.value.photos.at(-1))
const off = computed(() => [...(state.value.disconnected ?? [])].reverse())
const isOff = (label: string) => off.value.some((d) => d.label === label)
const labels = computed(() =>
  state.value.labels.map((l, i) => {
    const twins = facts.value?.connections.find((c) => c.title === l.name)?.twins ?? []
    return {
      ...l,
      number: i + 1,
      off: isOff(l.event),
      unlabelled: twins.filter((t) => !state.value.labels.some((other) => other.name === t)),
    }
  }),
)
const marks = computed(() => labels.value.filter((l) => l.shown && l.shown.photo === shown.value?.photo))
/** Where it goes back to, as it was labelled. */
const whereOf = (label: string) => {
  const { colour, terminal, number, shown } = labels.value.find((l) => l.event === label) ?? {}
  return [shown && `${number} on the photo`, colour, terminal && `to ${terminal}`].filter(Boolean).join(', ')
}
const spot = ref<{ photo: string; x: number; y: number }>()
const form = useTemplateRef<{ focus(): void }>('form')

function tap(x: number, y: number) {
  if (!shown.value || locked.value) return
  spot.value = { photo: shown.value.photo, x, y }
  form.value?.focus()
}
function add(label: Label) {
  context.enter({ type: 'label', ...label, ...(spot.value ? { shown: spot.value } : {}) })
  spot.value = undefined
}
async function pick(file: File) {
  if (await photos.add(file, 'wiring')) chosen.value = undefined
}
const at = ({ x, y }: { x: number; y: number }) => ({ left: `${x * 100}%`, top: `${y * 100}%` })
</script>

<template>
  <section v-if="facts" class="step wiring" aria-label="Wiring">
    <section v-if="off.length" class="card off" aria-label="What is off">
      <h2>Off, the last one first</h2>
      <ol>
        <li v-for="d in off" :key="d.label">
          <span
            ><strong>{{ d.name }}</strong> <span class="small soft">{{ whereOf(d.label) }}</span></span
          >
          <Button v-if="!locked" severity="secondary" @click="context.enter({ type: 'reconnected', label: d.label })"
            >Back on: {{ d.name }}</Button
          >
        </li>
      </ol>
      <p class="small soft">
        Before power goes back all of it is on again, or is kept off on purpose. A job does not close as repaired while
        something is off.
      </p>
    </section>
    <section class="card photos" aria-label="Photos">
      <h2>Photos</h2>
      <PhotoPicker v-if="!locked" :busy="photos.busy.value" :fault="photos.fault.value" @picked="pick" />
      <p v-if="unsentPhotos" class="small" role="status">
        {{ unsentPhotos }} of {{ state.photos.length }} {{ unsentPhotos === 1 ? 'waits' : 'wait' }} on this device to be
        sent.
      </p>
      <JobPhoto
        v-if="shown"
        :job="id"
        :person="person.id"
        :hash="shown.photo"
        :alt="`Photo by ${shown.by}, ${formatTime(shown.at, person.timeZone)}`"
        :tappable="!locked"
        @tap="tap"
      >
        <span v-for="m in marks" :key="m.event" class="mark on-photo" :style="at(m.shown!)">{{ m.number }}</span>
        <span v-if="spot && spot.photo === shown.photo" class="mark on-photo here" :style="at(spot)">?</span>
      </JobPhoto>
      <p v-if="shown" class="row small">
        <span class="soft">{{ shown.by }}, {{ formatTime(shown.at, person.timeZone) }}</span>
        <button v-if="!locked" type="button" class="chip push" @click="context.takeBack(shown.event)">
          Take it back
        </button>
      </p>
      <div v-if="state.photos.length > 1" class="chips" role="group" aria-label="All photos">
        <button
          v-for="(p, i) in state.photos"
          :key="p.event"
          type="button"
          class="chip"
          :aria-pressed="p.event === shown?.event"
          @click="chosen = p.event"
        >
          {{ i + 1 }}
        </button>
      </div>
      <p class="small soft">
        Photos are made smaller on this device, without the place where they were taken. Show no people and no papers.
      </p>
    </section>
    <section class="card labelled" aria-label="Labels">
      <h2>What comes off, and where it goes</h2>
      <p v-if="!labels.length" class="soft">
        Nothing is labelled yet. Take a photo and tap on it what you name, or name it below.
      </p>
      <MakeSafe
        v-if="labels.length && repairSteps.length && !locked"
        :steps="repairSteps"
        before="anything comes off"
        @done="context.safety"
      />
      <ol class="labels">
        <li v-for="l in labels" :key="l.event">
          <span class="mark" aria-hidden="true">{{ l.number }}</span>
          <div>
            <strong>{{ l.name }}</strong>
            <span v-if="l.off" class="is-off"> off</span>
            <p class="small soft">
              <template v-if="l.colour">{{ l.colour }}; </template>
              <template v-if="l.terminal">goes to {{ l.terminal }}; </template>{{ l.by }},
              {{ formatTime(l.at, person.timeZone) }}
            </p>
            <p v-if="l.unlabelled.length && !l.off" class="small">
              <strong>Its twin has no label yet:</strong> {{ l.unlabelled.join(', ') }}.
            </p>
          </div>
          <div v-if="!locked" class="row">
            <button
              v-if="!l.off"
              type="button"
              class="chip"
              :disabled="repairSteps.length > 0"
              :aria-label="`It is off: ${l.name}`"
              @click="context.enter({ type: 'disconnected', label: l.event, name: l.name })"
            >
              It is off
            </button>
            <UndoButton v-if="!l.off" :label="`Undo the label ${l.name}`" @click="context.takeBack(l.event)" />
          </div>
        </li>
      </ol>
      <LabelForm
        v-if="!locked"
        ref="form"
        :connections="facts.connections"
        :labelled="state.labels.map((l) => l.name)"
        :placed="spot !== undefined"
        @add="add"
      />
    </section>
    <ConnectorTable :connectors="facts.connectors" :source="facts.source" />
    <div class="go-on">
      <Button @click="router.replace(`/jobs/${id}/find`)">Go on: find the cause</Button>
    </div>
  </section>
</template>

<style scoped>
.wiring {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.8rem;
  align-content: start;
}
.wiring > .card {
  display: grid;
  gap: 0.7rem;
  align-content: start;
}
@media (min-width: 901px) {
  .wiring {
    grid-template: 'photos off' auto 'photos labelled' 1fr / minmax(0, 1fr) minmax(0, 1fr);
  }
  .photos {
    grid-area: photos;
  }
  .off {
    grid-area: off;
  }
  .labelled {
    grid-area: labelled;
  }
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.6rem;
  align-items: center;
  padding: 0.4rem 0;
  border-top: 1px solid var(--line);
}
.labels > li {
  grid-template-columns: auto minmax(0, 1fr) auto;
}
.off {
  border: 3px solid var(--ink);
}
.mark {
  display: grid;
  place-items: center;
  min-width: 1.7rem;
  height: 1.7rem;
  border-radius: 50%;
  background: var(--ink);
  color: var(--card);
  font-weight: 700;
}
.on-photo {
  position: absolute;
  translate: -50% -50%;
  border: 2px solid var(--card);
}
.here {
  background: var(--card);
  color: var(--ink);
  border-color: var(--ink);
}
.is-off {
  font-weight: 700;
}
</style>
