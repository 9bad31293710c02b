<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, watch } from 'vue'
import { useRouter } from 'vue-router'
import { AppIcon, TroubleBar, useKeys } from '../../../ui'
import { useSession } from '../../session'
import { NuxtLink } from '#components'
import { updateCustomer } from '../../../../shared/contracts/units'
import { call } from '../../../data/http'
import { useUnits } from '../use-units'
import NameField from './NameField.vue'

const router = useRouter()
const session = useSession()
const { owners, words, retired, trouble, load } = useUnits()
watch(retired, load)
/** The whole list again: places and searches follow the name. */
async function rename(id: string, name: string) {
  await call(updateCustomer, { params: { id }, body: { name } })
  await load()
}
const mayWrite = computed(() => ['lead', 'technician'].includes(session.person?.role ?? ''))
useKeys({ n: () => mayWrite.value && void router.push('/machines/new') })
</script>

<template>
  <main class="page">
    <div class="row">
      <h1>Machines</h1>
      <span class="push" />
      <template v-if="mayWrite">
        <Button severity="secondary" @click="router.push('/machines/import')">From a file</Button>
        <Button @click="router.push('/machines/new')"><AppIcon name="plus" /> New machine <kbd>N</kbd></Button>
      </template>
    </div>
    <div class="row">
      <InputText
        v-model="words"
        class="words"
        placeholder="Customer, place, maker, model, serial, code"
        aria-label="Search machines"
      />
      <label class="all"><input v-model="retired" type="checkbox" /> retired ones too</label>
    </div>
    <TroubleBar v-if="trouble" :text="trouble" />
    <p v-else-if="!owners" class="soft">Fetching the machines …</p>
    <section v-if="owners && !owners.length" class="card">
      <h2>No machine fits</h2>
      <p>Try the model alone, or the customer. Spelling and hyphens do not matter.</p>
    </section>
    <section v-for="o in owners" :key="o.id" class="place" :aria-label="o.customer">
      <h2><NameField :name="o.customer" what="customer" :may="mayWrite" :change="(name) => rename(o.id, name)" /></h2>
      <ul>
        <li v-for="u in o.units" :key="u.id">
          <NuxtLink :to="`/machines/${u.id}`" class="unit">
            <span
              ><strong>{{ u.title }}</strong> <span v-if="u.retired" class="soft">(retired)</span><br />
              <span class="soft small"
                >{{ u.site.name }} · {{ u.sheetTitle }}{{ u.serial ? `, serial ${u.serial}` : '' }}</span
              ></span
            >
            <span v-if="u.openJobs" class="open">{{ u.openJobs }} open</span>
          </NuxtLink>
        </li>
      </ul>
    </section>
  </main>
</template>

<style scoped>
.words {
  flex: 1 1 16rem;
}
.all {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  min-height: 44px;
}
.all input {
  width: 22px;
  height: 22px;
  accent-color: var(--ink);
}
.place {
  display: grid;
  gap: 0.4rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 0 1.2rem;
}
.unit {
  display: flex;
  justify-content: space-between;
  gap: 0.6rem;
  align-items: center;
  min-height: 56px;
  padding: 0.3rem 0;
  border-top: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
}
.unit:hover strong {
  text-decoration: underline;
}
.open {
  font-weight: 700;
  border-left: 5px solid var(--ink);
  padding-left: 0.5rem;
  white-space: nowrap;
}
</style>
