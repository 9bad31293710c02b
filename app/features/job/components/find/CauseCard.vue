<script setup lang="ts">
import Button from 'primevue/button'
import { computed, watch } from 'vue'
import { AppIcon } from '../../../../ui'
import type { View } from '../../../../../core/advice'
import { capital, formatChance } from '../../../../../core/words'
import ActCard from './ActCard.vue'
import ChanceBar from '../drawings/ChanceBar.vue'

const props = defineProps<{
  view: View
  /** What is disconnected and not back. */
  off: readonly string[]
  /** What was decided already, in words; empty where nothing was. */
  decided: string
  /** It has just come: nobody can have read it yet, and a second tap on what stood there means nothing here. */
  unbound: boolean
}>()
const emit = defineEmits<{ decide: []; take: [test: string] }>()
/** What goes on from here is entered once, and only once it has been read. */
let entered = false
function decide() {
  if (props.unbound || entered) return
  entered = true
  emit('decide')
}
watch(
  () => props.view,
  () => (entered = false),
)
const SAY = {
  testing: { tag: '', text: '' },
  'cause-stands': {
    tag: 'The cause stands',
    text: 'No further test is worth its minutes. Decide on the repair, do it, and prove it with a whole cycle.',
  },
  unexplained: {
    tag: 'Nothing on the sheet fits',
    text: 'The readings fit no fault that the sheet lists. Take the doubtful ones again, or choose a test of your own. Condemn no part on this.',
  },
  'quicker-done': {
    tag: 'Quicker done than tested',
    text: 'No test is worth more than simply doing this, and it costs next to nothing. Watch a whole cycle; if it still fails, the tests go on.',
  },
  undecided: {
    tag: 'No cause is clear enough',
    text: 'No listed test is worth its minutes, and no single repair stands. Below are the nearest; prove before you buy.',
  },
} as const
/** The quick answer has not looked yet for what the sheet does not list. */
const looking = { tag: 'Looking for what else would explain it …', text: '' }
const says = computed(() => (props.view.settled ? SAY[props.view.state] : looking))
const stands = computed(() => props.view.settled && props.view.state === 'cause-stands')
const own = computed(() => props.view.remedies[0])
</script>

<template>
  <ActCard class="cause" :class="{ open: !stands }" aria-label="The cause" about="What to do" paper="cause" low>
    <span class="tag">{{ says.tag }}</span>
    <h2 v-if="view.suspects[0]">
      <template v-if="!stands">Nearest: </template>{{ view.suspects[0].title }}
      <span class="soft">({{ formatChance(view.suspects[0].p) }} of the chances)</span>
    </h2>
    <p v-if="says.text">{{ says.text }}</p>
    <p v-if="off.length" role="note" aria-label="Still off" class="before">
      <strong>Still off:</strong> {{ off.join(', ') }}. Put it back before the job is closed as repaired.
    </p>
    <ul class="plain-list" aria-label="Nearest repairs">
      <li v-for="r in view.remedies.slice(0, 4)" :key="r.id" class="remedy">
        <ChanceBar :p="r.p" :name="`How likely: ${r.title}`" /><span>{{ capital(r.title) }}</span
        ><span class="small soft">{{ r.minutes }} min{{ r.price ? `, part ${r.price}` : '' }}</span>
      </li>
    </ul>
    <p v-if="own?.licensed" class="before" role="note" aria-label="Licensed work">
      <strong>This tool stops here.</strong> {{ own.licensed }}
    </p>
    <p v-if="own?.caution" class="caution"><AppIcon name="danger" /> {{ own.caution }}</p>
    <div v-if="own?.unproven.length" class="before">
      <p><strong>Not proven absent yet:</strong> {{ own.unproven.join('; ') }}.</p>
    </div>
    <section v-if="view.unlistedCandidates.length" class="before" aria-label="Not on the sheet">
      <strong>Not on this sheet, and not ruled out:</strong>
      <div v-for="b in view.unlistedCandidates" :key="b.title" class="beside">
        <span
          >{{ b.title }} <span class="soft">{{ b.text }}</span></span
        >
        <Button v-if="b.distinguishedBy" size="small" severity="secondary" @click="emit('take', b.distinguishedBy.id)">
          {{ b.distinguishedBy.title }} ({{
            b.distinguishedBy.minutes.toFixed(b.distinguishedBy.minutes < 10 ? 1 : 0)
          }}&nbsp;min)
        </Button>
      </div>
    </section>
    <p v-if="decided" class="before" role="note" aria-label="Decided">
      <strong>Decided:</strong> {{ decided }}. What is read now counts as read before it was done; if it was done and
      did not do, say so under Prove.
    </p>
    <template #act>
      <div class="ends" :aria-disabled="unbound || undefined">
        <Button @click="decide">Go on: decide what to do</Button>
      </div>
    </template>
  </ActCard>
</template>

<style scoped>
h2 > .soft {
  margin-left: 0.35em;
}
.cause {
  border: 3px solid var(--good);
}
.cause.open {
  border-color: var(--ink);
  border-style: dashed;
}
.open .tag {
  background: var(--ink);
}
.tag {
  justify-self: start;
  background: var(--good);
  color: var(--card);
  border-radius: 99px;
  padding: 0.1rem 0.7rem;
  font-size: 0.82rem;
  font-weight: 600;
}
.remedy {
  display: grid;
  grid-template-columns: auto 1fr 8rem;
  gap: 0.5rem;
  align-items: center;
  min-height: 44px;
  border-top: 1px solid var(--line);
}
@media (max-width: 30rem) {
  .remedy {
    grid-template-columns: auto 1fr;
    row-gap: 0;
    padding: 0.35rem 0;
  }
  .remedy > .small {
    grid-column: 2 / -1;
  }
}
.before {
  border-left: 5px solid var(--ink);
  padding-left: 0.7rem;
  font-size: 0.95rem;
}
.beside {
  display: grid;
  gap: 0.3rem;
  justify-items: start;
  margin-top: 0.4rem;
}
.ends {
  display: grid;
}
.caution {
  color: var(--danger);
  font-size: 0.9rem;
}
</style>
