<script setup lang="ts">
import type { Report } from '../../../../../core/report'
import { capital, formatMoney } from '../../../../../core/words'
import { formatMoment } from '../../../../ui'
import ReportLines from './ReportLines.vue'

/** What the report will say, as it will say it. */
defineProps<{ report: Report; timeZone: string }>()
</script>

<template>
  <article class="stack" aria-label="What the report says">
    <section v-if="report.warning" class="warned" aria-label="Left out of service">
      <h3>Left out of service</h3>
      <p>{{ report.warning.text }}</p>
      <p class="small">{{ report.warning.answer || 'Nobody has signed for the warning yet.' }}</p>
    </section>
    <section aria-label="What was said">
      <h3>What was said</h3>
      <p v-if="report.said.words">“{{ report.said.words }}”</p>
      <p class="small soft">{{ report.said.complaints.join('; ') }}</p>
    </section>
    <section aria-label="What was found">
      <h3>What was found</h3>
      <ul class="found">
        <li v-for="f in report.findings" :key="f">{{ f }}</li>
      </ul>
    </section>
    <section aria-label="Cause">
      <h3>Cause</h3>
      <p>{{ capital(report.cause) }}</p>
    </section>
    <section v-if="report.closed" aria-label="How it ended">
      <h3>How it ended</h3>
      <p>{{ [report.closed.ending, report.closed.text].filter(Boolean).join('. ') }}</p>
    </section>
    <ReportLines title="What was done" :lines="report.done" :time-zone="timeZone" />
    <ReportLines title="The new part" :lines="report.newPart" :time-zone="timeZone" />
    <section v-if="report.parts.length" aria-label="Parts">
      <h3>Parts</h3>
      <p v-for="p in report.parts" :key="p.title">
        {{ p.count }} × {{ p.title }}
        <span class="small soft">{{ [p.number, p.from].filter(Boolean).join(', ') }}</span>
      </p>
    </section>
    <ReportLines title="What shows that it works" :lines="report.proven" :time-zone="timeZone" />
    <section v-if="report.readings.length" aria-label="Readings">
      <h3>Readings</h3>
      <div class="wide-table">
        <table class="small">
          <thead>
            <tr>
              <th scope="col">Reading</th>
              <th scope="col">Shown</th>
              <th scope="col">Judged</th>
              <th scope="col">By, when</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(r, i) in report.readings" :key="i">
              <td>{{ r.title }}</td>
              <td class="number" :class="{ off: r.fits === 'bad' }">{{ r.text }}</td>
              <td>{{ r.verdict }}</td>
              <td class="soft">{{ [r.meter, r.by, formatMoment(r.at, timeZone)].filter(Boolean).join(', ') }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
    <section v-if="report.price" aria-label="Price">
      <h3>Price</h3>
      <p v-for="l in report.price.lines" :key="l.text" class="row">
        <span>{{ l.text }}</span><span class="number push">{{ formatMoney(l.minor, report.price.currency) }}</span>
      </p>
      <p class="row">
        <strong>In all, as told{{ report.price.answer ? `: ${report.price.answer}` : '' }}</strong
        ><strong class="number push">{{ formatMoney(report.price.total, report.price.currency) }}</strong>
      </p>
    </section>
    <ReportLines title="Remarks" :lines="report.remarks" :time-zone="timeZone" />
    <section v-if="report.care.length || report.followUp" aria-label="Care">
      <h3>Care</h3>
      <p v-for="c in report.care" :key="c" class="small">{{ c }}</p>
      <p v-if="report.followUp">Looked at again on {{ report.followUp.on }}: {{ report.followUp.why }}</p>
    </section>
    <ReportLines title="Bypasses" :lines="report.bypasses" :time-zone="timeZone" />
    <ReportLines title="Made safe" :lines="report.safety" :time-zone="timeZone" />
  </article>
</template>

<style scoped>
.warned {
  border-left: 5px solid var(--danger);
  padding-left: 0.7rem;
}
.found {
  margin: 0;
  padding-left: 1.2rem;
}
.off {
  font-weight: 700;
}
</style>
