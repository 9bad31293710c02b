<script setup lang="ts">
import Button from 'primevue/button'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { clockText, dayAfter, daysBetween } from '../../../../core/schedule'
import { describeDue, describeReason } from '../../../../core/words'
import type { Visit, VisitFields } from '../../../../shared/contracts/schedule'
import { AppIcon, formatDay, TroubleBar } from '../../../ui'
import { useSession } from '../../session'
import { useBoard } from '../use-board'
import type { ToPlace } from '../use-week'
import PackingList from './PackingList.vue'
import VisitCard from './VisitCard.vue'
import VisitForm from './VisitForm.vue'

/** The day of everybody: who is where when, what clashes, and what still asks for a visit. Placed by dragging, or by the arrow keys. */
const session = useSession()
const locked = computed(() => !['lead', 'technician'].includes(session.person?.role ?? ''))
const board = useBoard()
const { day, today, week, people, waiting, visits, trouble, busy, clashes, laneOf, place, change, add } = board
const said = ref('')

/** What the lists show; a drop changes them at once, the answer of the server puts them right. */
const lanes = shallowRef<Record<string, Visit[]>>({})
const asked = shallowRef<ToPlace[]>([])
watch(
  [visits, people, day, waiting],
  () => {
    lanes.value = Object.fromEntries(people.value.map((p) => [p.id, laneOf(p.id)]))
    asked.value = [...waiting.value]
  },
  { immediate: true },
)
const find = (id: string): Visit | ToPlace | undefined =>
  visits.value?.find((v) => v.id === id) ?? waiting.value.find((w) => w.id === id)
const nameOf = (person: string) => people.value.find((p) => p.id === person)?.name ?? ''

async function put(what: Visit | ToPlace, person: string, at: number) {
  const id = await place(what, person, at)
  const own = visits.value?.find((v) => v.id === id)
  if (!own) return
  said.value = `${own.unit.title}: ${nameOf(own.person)}, ${clockText(own.start)}.`
  await nextTick()
  document.querySelector<HTMLElement>(`[data-visit="${own.id}"]`)?.focus()
}
/** Something was dropped into somebody's day. */
function dropped(person: string, { item, newIndex }: { item: HTMLElement; newIndex?: number | undefined }) {
  const what = find(item.dataset.visit ?? '')
  if (what && !locked.value) void put(what, person, newIndex ?? 0)
}
/** By the keys: up and down within a day, left and right to the next person; into a day from what asks for a visit. */
function moved(event: KeyboardEvent, what: Visit | ToPlace) {
  const step = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key]
  if (!step || locked.value || busy.value) return
  event.preventDefault()
  const [aside, along] = step as [number, number]
  if (!('version' in what)) {
    if (aside > 0 && people.value[0]) void put(what, people.value[0].id, laneOf(people.value[0].id).length)
    return
  }
  const lane = laneOf(what.person)
  const at = lane.findIndex((v) => v.id === what.id)
  const next = people.value[people.value.findIndex((p) => p.id === what.person) + aside]
  if (aside) {
    if (next) void put(what, next.id, laneOf(next.id).filter((v) => v.start < what.start).length)
  } else if (at + along >= 0 && at + along < lane.length) void put(what, what.person, at + along)
}

const chosen = ref('')
const visit = computed(() => visits.value?.find((v) => v.id === chosen.value))
const item = computed(() => waiting.value.find((w) => w.id === chosen.value))
const proposal = shallowRef<{ minutes: number; start: number }>()
async function propose(person: string | undefined) {
  const own = item.value
  if (!own || !person) return
  proposal.value = undefined
  const found = await board.proposal(own, person)
  if (own === item.value) proposal.value = found
}
function choose(id: string) {
  chosen.value = id
  void propose(people.value[0]?.id)
  void nextTick(() =>
    document.querySelector<HTMLElement>('form[aria-label="Visit"]')?.scrollIntoView({ block: 'nearest' }),
  )
}
/** What was kept here is shown as it is kept. */
const kept = ref(0)
async function keep(fields: Parameters<typeof add>[1] & { version: number }) {
  const taken = visit.value ? await change(visit.value, fields) : item.value ? await add(item.value, fields) : false
  if (!taken) return
  kept.value++
  said.value = 'Kept.'
  if (!visit.value) chosen.value = ''
}
async function end(ended: VisitFields['ended']) {
  if (!visit.value || !(await change(visit.value, { ended }))) return
  said.value = 'Kept.'
  if (ended) chosen.value = ''
}
const lateness = (due: string) => (due && today.value ? describeDue(daysBetween(due, today.value)) : '')
</script>

<template>
  <main class="page">
    <div class="row">
      <h1>{{ day ? formatDay(day) : 'Schedule' }}</h1>
      <span class="push" />
      <Button severity="secondary" aria-label="The week before" @click="board.show(dayAfter(day, -7))"
        ><span aria-hidden="true">‹</span></Button
      >
      <Button severity="secondary" @click="board.show(today)">Today</Button>
      <Button severity="secondary" aria-label="The week after" @click="board.show(dayAfter(day, 7))"
        ><span aria-hidden="true">›</span></Button
      >
    </div>
    <nav class="week" aria-label="Days of the week">
      <button
        v-for="d in week"
        :key="d.day"
        type="button"
        :class="{ here: d.day === day, now: d.day === today }"
        :aria-current="d.day === day ? 'date' : undefined"
        @click="board.show(d.day)"
      >
        <span>{{ formatDay(d.day).split(' ').slice(0, 2).join(' ') }}</span>
        <span class="small">{{ d.visits ? `${d.visits} ${d.visits === 1 ? 'visit' : 'visits'}` : 'free' }}</span>
      </button>
    </nav>
    <TroubleBar v-if="trouble" :text="trouble" />
    <p class="hush" role="status" aria-label="What was placed">{{ said }}</p>
    <VisitForm
      v-if="visit || item"
      :key="`${chosen} ${kept}`"
      :visit="visit"
      :item="item"
      :people="people"
      :shown-day="day"
      :proposal="proposal"
      :locked="locked"
      :busy="busy"
      @keep="keep"
      @end="end"
      @person="propose"
      @close="chosen = ''"
    />
    <div class="board" :style="{ '--lanes': people.length }">
      <section class="lane" aria-label="Asks for a visit">
        <h2>Asks for a visit</h2>
        <VueDraggable
          v-model="asked"
          tag="ul"
          class="drop"
          group="visits"
          :sort="false"
          :disabled="locked"
          aria-label="Not placed"
        >
          <li
            v-for="w in asked"
            :key="w.id"
            class="one"
            :data-visit="w.id"
            tabindex="0"
            role="listitem"
            @click="choose(w.id)"
            @keydown.enter.self="choose(w.id)"
            @keydown="moved($event, w)"
          >
            <strong>{{ w.unit.title }}</strong><br />
            <span class="small">{{ w.unit.customer }}, {{ w.unit.place }}</span
            ><br />
            <span class="small soft">{{ describeReason(w.reason) }}: {{ w.about }}</span>
            <span v-if="w.due" class="small"><br />{{ lateness(w.due) }}</span>
            <strong v-if="w.come" class="small"><br />The part has come</strong>
            <span v-else-if="w.reason === 'return'" class="small"><br />{{ w.says }}</span>
          </li>
        </VueDraggable>
        <p v-if="visits && !asked.length" class="soft">
          Nothing. Open calls, parts on order and care that is due stand here.
        </p>
      </section>
      <section v-for="p in people" :key="p.id" class="lane" :aria-label="p.name">
        <h2>{{ p.name }}</h2>
        <VueDraggable
          v-model="lanes[p.id]!"
          tag="ul"
          class="drop"
          group="visits"
          :disabled="locked"
          :aria-label="`Visits of ${p.name}`"
          @add="dropped(p.id, $event)"
          @update="dropped(p.id, $event)"
        >
          <li
            v-for="v in lanes[p.id]"
            :key="v.id"
            class="one"
            :class="{ here: v.id === chosen, clashing: clashes.has(v.id) }"
            :data-visit="v.id"
            tabindex="0"
            role="listitem"
            @click="choose(v.id)"
            @keydown.enter.self="choose(v.id)"
            @keydown="moved($event, v)"
          >
            <VisitCard :visit="v" :clash="clashes.get(v.id)" />
          </li>
        </VueDraggable>
        <PackingList v-if="lanes[p.id]?.some((v) => v.job)" :person="p.id" :day="day" />
      </section>
    </div>
    <p class="small soft">
      <AppIcon name="info" /> Drag a visit to where it is to be. By keys: arrows move the one in focus, Enter opens it.
    </p>
  </main>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: 0.3rem;
}
.week button {
  display: grid;
  min-height: 48px;
  padding: 0.3rem;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--card);
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.week .now {
  border-bottom: 4px solid var(--ink);
}
.week .here {
  background: var(--ink);
  color: var(--card);
}
.board {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) repeat(var(--lanes), minmax(0, 1fr));
  gap: 0.7rem;
  align-items: start;
}
.lane {
  display: grid;
  gap: 0.4rem;
  align-content: start;
}
.lane h2 {
  font-size: 1rem;
}
.drop {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.4rem;
  align-content: start;
  min-height: 4.5rem;
  border-top: 3px solid var(--line);
  padding-top: 0.4rem;
}
.one {
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 0.5rem 0.6rem;
  min-height: 56px;
  line-height: 1.25;
  cursor: grab;
}
.one.here {
  border-color: var(--ink);
}
.one.clashing {
  border-left: 6px solid var(--danger);
}
@media (max-width: 900px) {
  .board {
    grid-template-columns: minmax(0, 1fr);
  }
  .week {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
}
</style>
