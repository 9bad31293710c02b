<script setup lang="ts">
import Button from 'primevue/button'
import { computed, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { capital } from '../../../../../core/words'
import { AppIcon, useKeys } from '../../../../ui'
import { useDecided } from '../../use-choices'
import { useJobContext } from '../../use-job-context'
import { useShopParts } from '../../use-shop-parts'
import NotDecided from '../decide/NotDecided.vue'
import SettingsNoted from '../prove/SettingsNoted.vue'
import MakeSafe from '../safe/MakeSafe.vue'
import RecordFirst from '../wiring/RecordFirst.vue'
import NewPart from './NewPart.vue'
import PartsUsed from './PartsUsed.vue'
import TickList from './TickList.vue'

/** The repair, step by step: the new part proved first, what is looked at while it is open, parts, and the way back. */
const context = useJobContext()
const { id, job, locked, enter, takeBack, stepsFor } = context
const { state } = job
const router = useRouter()
const { decided, own } = useDecided(context)
const { parts: ofShop } = useShopParts(context)
const lies = computed(() => ofShop.value.find((p) => p.repair === decided.value?.repair))
const safety = computed(() => (own.value && !locked.value ? stepsFor(own.value.acts) : []))
const held = useTemplateRef<{ press(): void; release(): void }>('held')
useKeys({ s: { down: () => held.value?.press(), up: () => held.value?.release() } })
const of = <T extends { repair: string }>(list: readonly T[]) => list.filter((t) => t.repair === decided.value?.repair)
const ticks = (list: 'steps' | 'look-at') => of(state.value.ticks).filter((t) => t.list === list)
const part = computed(() =>
  own.value?.newPart.length
    ? { title: own.value.title, ...(own.value.guide.partNumber ? { number: own.value.guide.partNumber } : {}) }
    : undefined,
)
const unrecorded = computed(() => !state.value.labels.length && !state.value.photos.length)
const done = computed(() => {
  const steps = own.value?.guide.steps ?? []
  return steps.length > 0 && steps.every((s) => ticks('steps').some((t) => t.item === s.text))
})
const off = computed(() => [...(state.value.disconnected ?? [])].reverse())
const bad = computed(() => of(state.value.newParts).some((p) => !p.good))
const tick = (list: 'steps' | 'look-at', item: string, found: string | undefined) =>
  enter({ type: 'ticked', repair: decided.value!.repair, list, item, ...(found ? { found } : {}) })
</script>

<template>
  <section v-if="!decided" class="step" aria-label="Repair">
    <NotDecided />
  </section>
  <section v-else-if="own" class="step panes" aria-label="Repair">
    <div class="left">
      <section class="card stack" aria-label="Steps of the repair">
        <h2>{{ capital(own.title) }}</h2>
        <p class="small soft">
          {{ own.minutes }} min. {{ decided.as === 'interim' ? `For now; done for good by ${decided.until}.` : ''
          }}{{
            own.guide.usual
              ? "The usual way with such a part. Where the maker's papers say otherwise, they count."
              : `From: ${own.guide.source}.`
          }}
        </p>
        <p v-if="own.caution" class="bites"><AppIcon name="danger" /> {{ own.caution }}</p>
        <MakeSafe
          v-if="safety.length"
          ref="held"
          :steps="safety"
          :before="done ? 'parts come off again' : 'parts come off'"
          :left="context.left.value"
          @done="context.safety"
        />
        <RecordFirst v-if="unrecorded && own.acts.length && !done" @record="router.replace(`/jobs/${id}/wiring`)" />
        <TickList
          v-if="own.guide.steps.length"
          ordered
          :items="own.guide.steps"
          :ticks="ticks('steps')"
          :locked="locked"
          aria-label="Steps"
          @tick="(item, found) => tick('steps', item, found)"
          @undo="takeBack"
        />
        <p v-else class="soft">The sheet has no steps for it and nothing has to come off.</p>
      </section>
      <section v-if="own.guide.lookAt.length" class="card stack" aria-label="While it is open">
        <h2>Looked at and cleaned while it is open</h2>
        <TickList
          finds
          :items="own.guide.lookAt.map((text) => ({ text }))"
          :ticks="ticks('look-at')"
          :locked="locked"
          @tick="(item, found) => tick('look-at', item, found)"
          @undo="takeBack"
        />
      </section>
    </div>
    <div class="right">
      <NewPart
        v-if="own.newPart.length"
        :checks="own.newPart"
        :taken="of(state.newParts)"
        :bench="own.guide.bench"
        :locked="locked"
        @take="
          (check, text, value, good) => enter({ type: 'new-part', repair: own!.id, check: check.id, text, value, good })
        "
        @undo="takeBack"
      />
      <PartsUsed
        :part="part"
        :lies="lies"
        :own="context.person.id"
        :used="state.used"
        :condemned="state.condemned"
        :locked="locked"
        @use="enter({ type: 'used', ...$event })"
        @condemn="(title, how) => enter({ type: 'condemned', title, how })"
        @undo="takeBack"
      />
      <SettingsNoted :sorts="['found']" />
      <section v-if="own.guide.access.length || own.guide.kit.length" class="card stack" aria-label="How it is got at">
        <h2>How it is got at</h2>
        <ul class="plain-list small">
          <li v-for="a in own.guide.access" :key="a">{{ a }}</li>
        </ul>
        <p v-if="own.guide.kit.length" class="small"><strong>In the kit:</strong> {{ own.guide.kit.join(', ') }}.</p>
        <p v-if="own.guide.proved" class="small"><strong>Proved first:</strong> {{ own.guide.proved }}.</p>
      </section>
      <section class="card stack" aria-label="The way back">
        <h2>The way back</h2>
        <ul v-if="off.length" class="plain-list">
          <li v-for="d in off" :key="d.label" class="row">
            <span>{{ d.name }}</span>
            <button
              v-if="!locked"
              type="button"
              class="chip push"
              @click="enter({ type: 'reconnected', label: d.label })"
            >
              Back on: {{ d.name }}
            </button>
          </li>
        </ul>
        <p v-else class="small soft">Nothing of the wiring record is off.</p>
        <p v-if="context.left.value.length" class="small">
          <strong>Still off or in:</strong> {{ context.left.value.join('; ') }}.
        </p>
      </section>
    </div>
    <div class="go-on">
      <p v-if="bad" class="small bad" role="alert">A new part is not as a good one: it does not go in.</p>
      <Button class="push" @click="router.replace(`/jobs/${id}/prove`)">Go on: prove it</Button>
    </div>
  </section>
</template>

<style scoped>
.bites,
.bad {
  color: var(--danger);
}
.go-on {
  align-items: center;
  gap: 1rem;
}
</style>
