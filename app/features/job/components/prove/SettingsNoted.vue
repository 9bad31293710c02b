<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { reactive } from 'vue'
import { capital } from '../../../../../core/words'
import { UndoButton } from '../../../../ui'
import { useJobContext } from '../../use-job-context'

/** What is set on the machine, written down as it was found and as it is left: whoever comes next sets it back by that. */
defineProps<{ /** What is asked for here. */ sorts: readonly ('found' | 'left')[] }>()
const { job, advice, locked, enter, takeBack } = useJobContext()
const { state } = job
const { facts } = advice
const WORDS = { found: 'As found', left: 'As left' } as const
const typed = reactive<Record<string, string>>({})
const last = (setting: string, as: 'found' | 'left') =>
  state.value.settings.findLast((n) => n.setting === setting && n.as === as)

function keep(setting: string, as: 'found' | 'left') {
  const key = `${setting} ${as}`
  const text = typed[key]?.trim()
  if (!text) return
  void enter({ type: 'setting', setting, as, text })
  typed[key] = ''
}
</script>

<template>
  <section v-if="facts?.settings.length" class="card stack" aria-label="Settings">
    <h2>Settings, written down</h2>
    <div v-for="s in facts.settings" :key="s.id" class="stack" role="group" :aria-label="capital(s.title)">
      <p>
        <strong>{{ capital(s.title) }}</strong><template v-if="s.usual">, usually {{ s.usual }}</template>
      </p>
      <p class="small soft">{{ capital(s.found) }}</p>
      <div v-for="as in sorts" :key="as" class="row">
        <template v-if="last(s.id, as)">
          <span
            >{{ WORDS[as] }}: <strong>{{ last(s.id, as)!.text }}</strong></span
          >
          <UndoButton
            v-if="!locked"
            class="push"
            :label="`Undo ${WORDS[as].toLowerCase()} of ${s.title}`"
            @click="takeBack(last(s.id, as)!.event)"
          />
        </template>
        <form v-else-if="!locked" class="row grow" @submit.prevent="keep(s.id, as)">
          <InputText
            v-model="typed[`${s.id} ${as}`]"
            class="grow"
            :maxlength="120"
            :aria-label="`${WORDS[as]}: ${s.title}`"
            :placeholder="WORDS[as]"
          />
          <Button type="submit" severity="secondary" :disabled="!typed[`${s.id} ${as}`]?.trim()">Note it</Button>
        </form>
      </div>
    </div>
  </section>
</template>

<style scoped>
.grow {
  flex: 1;
  min-width: 0;
}
p {
  margin: 0;
}
</style>
