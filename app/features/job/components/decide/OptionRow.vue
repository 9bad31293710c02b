<script setup lang="ts">
import { computed } from 'vue'
import type { RepairOption } from '../../../../../core/advice'
import { capital, formatAbout } from '../../../../../core/words'

/** One thing that could be done, with what it comes to in all as a length beside the others. */
const props = defineProps<{
  option: RepairOption
  chosen: boolean
  /** What the dearest of them comes to. */
  most: number
  currency: string
  cheapest: boolean
}>()
const emit = defineEmits<{ choose: [] }>()
/** What its total is made of, in the order of the hand: what is paid for sure, then what is only feared. */
const pieces = computed(() => {
  const { work, part, wrong, callBack, killed } = props.option.of
  return [
    { id: 'work', title: 'Work, and proving it', money: work },
    { id: 'part', title: 'Part', money: part },
    { id: 'wrong', title: 'If that is not all of it: what is done then', money: wrong },
    { id: 'back', title: 'Coming back if it does not hold', money: callBack },
    { id: 'killed', title: 'A new part killed by what is still there', money: killed },
  ].filter((p) => p.money >= 0.5)
})
const about = (money: number) => formatAbout(money, props.currency)
</script>

<template>
  <div class="option" :class="{ chosen }">
    <label>
      <input type="radio" name="what-to-do" :value="option.id" :checked="chosen" @change="emit('choose')" />
      <span class="title">{{ capital(option.title) }}</span>
      <strong class="number">about {{ about(option.total) }}</strong>
    </label>
    <div class="lengths" aria-hidden="true">
      <span
        v-for="p in pieces"
        :key="p.id"
        :class="p.id"
        :style="{ width: `${(100 * p.money) / Math.max(1, most)}%` }"
      />
    </div>
    <p class="small soft">
      {{ option.minutes }} min<template v-if="option.price">, part {{ about(option.price) }}</template
      ><template v-if="option.licensed">, licensed work</template><template v-if="cheapest">; least in all</template>
    </p>
    <dl v-if="chosen" class="small" aria-label="What it is made of">
      <template v-for="p in pieces" :key="p.id">
        <dt><span class="key" :class="p.id" aria-hidden="true" />{{ p.title }}</dt>
        <dd class="number">{{ about(p.money) }}</dd>
      </template>
    </dl>
  </div>
</template>

<style scoped>
.option {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.25rem;
  padding: 0.4rem 0.2rem;
  border-top: 1px solid var(--line);
}
label {
  display: grid;
  grid-template-columns: 1.6rem minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: center;
  min-height: 44px;
}
.chosen .title {
  font-weight: 700;
}
.lengths {
  display: flex;
  height: 0.65rem;
  margin-left: 2.1rem;
  border-left: 1px solid var(--soft);
}
.option > p,
dl {
  margin: 0 0 0 2.1rem;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.15rem 0.8rem;
}
dd {
  margin: 0;
  text-align: right;
}
.key {
  display: inline-block;
  width: 0.8rem;
  height: 0.65rem;
  margin-right: 0.4rem;
}
.work {
  background: var(--ink);
}
.part {
  background: var(--soft);
}
.wrong {
  background: repeating-linear-gradient(135deg, var(--soft) 0 3px, var(--card) 3px 6px);
}
.back {
  background: repeating-linear-gradient(90deg, var(--ink) 0 2px, var(--card) 2px 5px);
}
.killed {
  background: repeating-linear-gradient(0deg, var(--ink) 0 2px, var(--card) 2px 4px);
}
</style>
