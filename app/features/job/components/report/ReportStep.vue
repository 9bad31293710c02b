<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, shallowRef, watch } from 'vue'
import { reportOf, toCsv, type ReportReader } from '../../../../../core/report'
import { describeReportState } from '../../../../../core/words'
import { exportJob } from '../../../../../shared/contracts/archive'
import { call, THIN_LINE } from '../../../../data/http'
import { saveFile } from '../../../../data/save-file'
import { formatMoment } from '../../../../ui'
import { notify } from '../../../shell'
import { useJobContext } from '../../use-job-context'
import { useReports } from '../../use-reports'
import ReportView from './ReportView.vue'
import SignOrRefuse from './SignOrRefuse.vue'

/** The report: what it says, the customer's signature, and the files that are made of it. */
const { id, job, advice, person, mayWrite, closed } = useJobContext()
const { state, meta, waiting } = job
const { view } = advice
const { reports, trouble, asking, ask, file } = useReports(id)

const reader = ref<ReportReader>('customer')
const known = shallowRef<Awaited<ReturnType<typeof advice.engine.report>>>()
const fault = ref('')
let round = 0
watch(
  () => view.value?.settled && JSON.stringify(advice.question.value),
  async (settled) => {
    if (!settled) return
    const mine = ++round
    try {
      const answer = await advice.engine.report(advice.question.value)
      if (mine === round) [known.value, fault.value] = [answer, '']
    } catch (error) {
      if (mine === round) fault.value = error instanceof Error ? error.message : String(error)
    }
  },
  { immediate: true },
)
const report = computed(() =>
  known.value && meta.value
    ? reportOf(id, state.value, meta.value.unit, known.value.machine, known.value.judgement, reader.value)
    : undefined,
)
const name = computed(() => `${meta.value?.unit.title ?? 'report'} ${state.value.openedAt?.slice(0, 10) ?? ''}`)
const saveCsv = () => report.value && saveFile(`${name.value}.csv`, toCsv(report.value))
const saveJson = () =>
  report.value && saveFile(`${name.value}.json`, `${JSON.stringify(report.value, null, 1)}\n`, 'application/json')
/** The job itself, with every entry and photo, as it can be taken in again. */
async function saveBundle() {
  try {
    const bytes = await call(exportJob, { params: { id }, patience: THIN_LINE })
    saveFile(`${name.value} job.zip`, bytes as Uint8Array<ArrayBuffer>, exportJob.file!.type)
  } catch (error) {
    notify({ kind: 'trouble', text: error instanceof Error ? error.message : String(error) })
  }
}
async function savePdf(which: (typeof reports.value)[number]) {
  try {
    saveFile(`${name.value} ${which.form}.pdf`, await file(which.id), 'application/pdf')
  } catch (error) {
    notify({ kind: 'trouble', text: error instanceof Error ? error.message : String(error) })
  }
}

const signed = computed(() => state.value.signed.findLast((s) => s.for === 'work'))
</script>

<template>
  <section class="step panes" aria-label="Report">
    <div class="left">
      <section class="card stack" aria-label="Make the report">
        <h2>The report</h2>
        <p v-if="!closed" class="small" role="note">The job is still open: the report says how far it has come.</p>
        <div class="row" role="radiogroup" aria-label="For whom">
          <label class="row"><input v-model="reader" type="radio" name="reader" value="customer" /> The customer</label>
          <label class="row"
            ><input v-model="reader" type="radio" name="reader" value="own" /> Our own people, with internal
            remarks</label
          >
        </div>
        <div class="chips">
          <Button :disabled="!mayWrite || asking || waiting.length > 0" @click="ask('one-page', reader)"
            >Make the PDF, one page</Button
          >
          <Button
            severity="secondary"
            :disabled="!mayWrite || asking || waiting.length > 0"
            @click="ask('full', reader)"
            >Make the PDF, all of it</Button
          >
          <Button severity="secondary" :disabled="!report" @click="saveCsv">Save as CSV</Button>
          <Button severity="secondary" :disabled="!report" @click="saveJson">Save as JSON</Button>
          <Button severity="secondary" @click="saveBundle">Save the whole job as a file</Button>
        </div>
        <p v-if="waiting.length" class="small" role="status">
          {{ waiting.length }} {{ waiting.length === 1 ? 'entry waits' : 'entries wait' }} on this device: the server
          makes the PDF once they are there.
        </p>
        <p v-if="trouble" class="small" role="alert">{{ trouble }}</p>
        <ul v-if="reports.length" class="plain-list" aria-label="Reports">
          <li v-for="r in reports" :key="r.id" class="row">
            <span
              ><strong>{{ r.form === 'full' ? 'All of it' : 'One page' }}</strong
              >, {{ r.reader === 'own' ? 'our own' : "the customer's" }}
              <span class="small soft"
                >{{ r.askedBy }}, {{ formatMoment(r.askedAt, person.timeZone)
                }}{{ r.seq < state.seq ? ', before the last entries' : '' }}</span
              ></span
            >
            <Button v-if="r.state === 'made'" class="push" severity="secondary" @click="savePdf(r)"
              >Save the PDF</Button
            >
            <span v-else class="push small" :role="r.state === 'failed' ? 'alert' : 'status'">{{
              describeReportState(r.state, r.before, r.fault)
            }}</span>
          </li>
        </ul>
      </section>
      <section v-if="mayWrite" class="card stack" aria-label="Signature">
        <h2>The customer's signature</h2>
        <p v-if="signed">
          Signed by <strong>{{ signed.name }}</strong>, {{ formatMoment(signed.at, person.timeZone) }}.
        </p>
        <p v-else-if="state.notSigned.some((s) => s.for === 'work')">
          Not signed: {{ state.notSigned.findLast((s) => s.for === 'work')!.text }}
        </p>
        <details :open="!signed">
          <summary>{{ signed ? 'Sign once more' : 'Sign here' }}</summary>
          <SignOrRefuse what="work" />
        </details>
      </section>
      <section v-if="report" class="card stack" aria-label="For the help line">
        <h2>Ready for the maker's help line</h2>
        <ul class="small ready">
          <li v-for="h in report.helpLine" :key="h">{{ h }}</li>
        </ul>
      </section>
    </div>
    <div class="right">
      <section class="card">
        <p v-if="fault" role="alert">{{ fault }}</p>
        <p v-else-if="!report" class="soft">Judging the readings …</p>
        <ReportView v-else :report="report" :time-zone="person.timeZone" />
      </section>
    </div>
  </section>
</template>

<style scoped>
label.row {
  min-height: 44px;
}
.ready {
  margin: 0;
  padding-left: 1.2rem;
}
</style>
