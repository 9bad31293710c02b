<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { asksForFollowUp, CYCLE, isMeasuredDead, proofsOf, stillUnproven } from '../../../../../core/job'
import { judgeRun } from '../../../../../core/running'
import { describeRiskLeft } from '../../../../../core/words'
import { formatDay } from '../../../../ui'
import { useDecided } from '../../use-choices'
import { useJobContext } from '../../use-job-context'
import { useRun } from '../../use-run'
import NotDecided from '../decide/NotDecided.vue'
import BeforeYouLeave from '../find/BeforeYouLeave.vue'
import MakeSafe from '../safe/MakeSafe.vue'
import CycleProof from './CycleProof.vue'
import ProofRow from './ProofRow.vue'
import SettingsNoted from './SettingsNoted.vue'

/** That it works and is safe: everything that has to hold before the machine is left, and the one act that ends the job. */
const context = useJobContext()
const { id, job, advice, locked, enter, act, takeBack, repairSteps } = context
const { state } = job
const { facts } = advice
const router = useRouter()
const { decided, own } = useDecided(context)

const last = computed(() => proofsOf(state.value))
/** What was said last of each, with its words. */
const said = computed(() => {
  const standing = new Set(
    Object.entries(state.value.proofs ?? {}).flatMap(([event, p]) => (last.value.get(p.item) === p ? [event] : [])),
  )
  return new Map(state.value.proven.filter((p) => standing.has(p.event)).map((p) => [p.item, p]))
})
/** The first of those that are measured dead and have not been: the steps before it stand there. */
const firstDead = computed(() => own.value?.proofs.find((p) => isMeasuredDead(p.id) && !said.value.has(p.id))?.id)
const missing = computed(() =>
  own.value ? stillUnproven(own.value.id, { repairs: [{ ...own.value, proof: own.value.proofs }] }, state.value) : [],
)
const others = computed(() => [
  ...context.left.value,
  ...(state.value.clips?.length ? ['meter clips are in it'] : []),
  ...missing.value.map((m) => m.title),
])

const { newest, running, expected, sketched, course } = useRun(context)
const watched = computed(() => !!newest.value && !!decided.value && newest.value.at >= decided.value.at)
const verdict = computed(() =>
  watched.value && expected.value && !sketched.value && expected.value.program === newest.value?.program
    ? judgeRun(expected.value, course.value)
    : undefined,
)
const cycle = (as: 'passed' | 'failed') =>
  enter({ type: 'proven', item: CYCLE, as, ...(newest.value ? { run: newest.value.event } : {}) })

const again = computed(() => asksForFollowUp(state.value) || state.value.followUp !== undefined)
const cycles = computed(
  () => state.value.runs.filter((r) => r.over !== undefined && r.at >= (decided.value?.at ?? '')).length,
)
const on = ref('')
const why = ref('')
const note = ref('')

async function fails() {
  await act({ type: 'action', action: { verb: 'repair', target: decided.value!.repair } })
  await router.replace(`/jobs/${id}/find`)
}
async function close() {
  if (others.value.length || !own.value) return
  await job.enter({ type: 'closed', repair: own.value.id, text: note.value.trim() })
  await router.replace(`/jobs/${id}/report`)
}
</script>

<template>
  <section v-if="!decided" class="step" aria-label="Prove">
    <NotDecided />
  </section>
  <section v-else-if="own" class="step panes" aria-label="Prove">
    <div class="left">
      <section class="card stack" aria-label="What has to hold">
        <h2>After "{{ own.title }}": what has to hold</h2>
        <ul class="plain-list">
          <ProofRow
            v-for="p in own.proofs"
            :key="p.id"
            :need="p"
            :said="said.get(p.id)"
            :locked="locked"
            @say="
              (as, text, value) =>
                enter({ type: 'proven', item: p.id, as, ...(text ? { text } : {}), ...(value ? { value } : {}) })
            "
            @undo="takeBack"
          >
            <MakeSafe
              v-if="p.id === firstDead && repairSteps.length"
              :steps="repairSteps"
              before="it is measured"
              @done="context.safety"
            />
            <p v-else-if="isMeasuredDead(p.id) && repairSteps.length" class="small soft">Make it safe first, above.</p>
            <CycleProof
              v-else-if="p.id === CYCLE"
              :verdict="verdict"
              :running="!!running"
              :watched="watched"
              :title="expected?.title ?? 'The program'"
              @watch="router.replace(`/jobs/${id}/run`)"
              @passed="cycle('passed')"
              @failed="cycle('failed')"
            />
          </ProofRow>
        </ul>
      </section>
    </div>
    <div class="right">
      <section v-if="again" class="card stack" aria-label="Looked at again">
        <h2>Somebody looks at it again</h2>
        <p class="small">
          {{
            decided.as === 'interim'
              ? `It was repaired for now, to be done for good by ${decided.until}.`
              : describeRiskLeft(cycles)
          }}
        </p>
        <p v-if="state.followUp">
          <strong>{{ formatDay(state.followUp.on) }}</strong>: {{ state.followUp.why }}
        </p>
        <form
          v-if="!locked"
          class="row"
          @submit.prevent="on && why.trim() && enter({ type: 'follow-up', on, why: why.trim() })"
        >
          <input
            v-model="on"
            type="date"
            class="p-inputtext"
            aria-label="Looked at again on"
            min="2000-01-01"
            max="2099-12-31"
          />
          <InputText
            v-model="why"
            maxlength="600"
            class="grow"
            aria-label="Why it is looked at again"
            placeholder="Why"
          />
          <Button type="submit" severity="secondary" :disabled="!on || !why.trim()">Note the day</Button>
        </form>
      </section>
      <section class="card stack" aria-label="Closing">
        <h2>Closing</h2>
        <template v-if="others.length">
          <p><strong>Missing before the job can be closed:</strong></p>
          <ul aria-label="Missing" class="missing">
            <li v-for="m in others" :key="m">{{ m }}</li>
          </ul>
        </template>
        <p v-else>Nothing is missing.</p>
        <InputText
          v-if="!locked"
          v-model="note"
          maxlength="4000"
          fluid
          aria-label="Note"
          placeholder="Cause, advice given …"
        />
        <button v-if="!locked" type="button" class="chip" @click="fails">It still fails</button>
        <p v-if="!locked" class="small soft">
          "It still fails" is evidence: the search goes on with this repair done. A machine that cannot be left in use
          is left out of service, under Decide.
        </p>
      </section>
      <SettingsNoted :sorts="['found', 'left']" />
      <section v-if="facts?.care.length" class="card"><BeforeYouLeave :facts="facts" /></section>
    </div>
    <div v-if="!locked" class="go-on">
      <Button class="push" :disabled="others.length > 0" @click="close">Repaired and proved: close the job</Button>
    </div>
  </section>
</template>

<style scoped>
.grow {
  flex: 1;
  min-width: 8rem;
}
.missing {
  margin: 0;
  padding-left: 1.2rem;
}
</style>
