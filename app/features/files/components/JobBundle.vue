<script setup lang="ts">
import { shallowRef } from 'vue'
import { NuxtLink } from '#components'
import type { z } from 'zod'
import { importJob, MOST_BUNDLE_BYTES } from '../../../../shared/contracts/archive'
import { call, THIN_LINE } from '../../../data/http'
import { useAttempt } from '../../../data/use-attempt'

/** A job that comes back in a file. */
const answer = shallowRef<z.infer<(typeof importJob)['answer']>>()
const { trouble, busy, attempt } = useAttempt()

async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  answer.value = undefined
  await attempt(async () => {
    if (file.size > MOST_BUNDLE_BYTES) throw new Error('This file is larger than a job can be.')
    answer.value = await call(importJob, { file, patience: THIN_LINE })
  })
  // The same file may be chosen again.
  input.value = ''
}
const entries = (n: number) => (n === 1 ? '1 entry' : `${n} entries`)
</script>

<template>
  <section class="card stack" aria-labelledby="bundle">
    <h2 id="bundle">A job from a file</h2>
    <p>
      A job that was saved as a file (in its Report step) comes back here with its entries and photos: after an older
      copy was restored, or from another installation of the same shop. Everything in it is judged as when it was
      entered, and all of it is taken or none. What is there already stays.
    </p>
    <label class="field"
      >Choose the file <input type="file" accept=".zip,application/zip" :disabled="busy" @change="take"
    /></label>
    <p v-if="busy" role="status">Reading it …</p>
    <p v-if="trouble" role="alert">{{ trouble }}</p>
    <template v-if="answer">
      <div v-if="answer.problems.length" role="alert">
        <strong>Nothing has been taken.</strong>
        <ul>
          <li v-for="p in answer.problems" :key="p">{{ p }}</li>
        </ul>
      </div>
      <p v-else role="status">
        <template v-if="answer.fresh"
          >{{ entries(answer.fresh) }} and {{ answer.photos }} photos came in; {{ entries(answer.there) }} were there
          already.</template
        >
        <template v-else>All {{ entries(answer.there) }} of it are there already: nothing has changed.</template>
        <NuxtLink :to="`/jobs/${answer.job}`">Open the job</NuxtLink>
      </p>
    </template>
  </section>
</template>
