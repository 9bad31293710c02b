<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { NuxtLink } from '#components'
import { convert } from '../../../../core/measuring'
import { describeProblem } from '../../../../core/words'

/** One quantity in all its units. */
const text = ref('')
const got = computed(() => (text.value.trim() ? convert(text.value) : undefined))
const wrong = computed(() =>
  got.value && !got.value.ok ? got.value.problems.map((p) => describeProblem(p)).join(' ') : '',
)
/** Five significant digits, no trailing noise. */
const plain = (x: number) => (x === 0 ? '0' : String(Number(x.toPrecision(5))))
</script>

<template>
  <main class="page narrow">
    <p class="back"><NuxtLink to="/tools">Tools</NuxtLink></p>
    <h1>Units</h1>
    <label
      >A number with its unit
      <InputText
        v-model="text"
        class="number"
        fluid
        autocomplete="off"
        placeholder="38 psi, 68 °F, 2.5 mm², AWG 18"
        :aria-invalid="!!wrong"
        :aria-describedby="wrong ? 'wrong' : undefined"
      />
    </label>
    <p v-if="wrong" id="wrong" role="alert" class="wrong">{{ wrong }}</p>
    <dl v-if="got?.ok" class="card" aria-label="The same in other units">
      <div v-for="r in got.value.rows" :key="r.symbol">
        <dt>{{ r.symbol }}</dt>
        <dd class="number">{{ plain(r.number) }}</dd>
      </div>
    </dl>
  </main>
</template>

<style scoped>
.back {
  margin: 0;
}
.wrong {
  color: var(--danger);
}
dl div {
  display: flex;
  justify-content: space-between;
  padding: 0.4rem 0;
  border-top: 1px solid var(--line);
}
dl div:first-child {
  border-top: 0;
}
dd {
  margin: 0;
  font-weight: 700;
}
</style>
