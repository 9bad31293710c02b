<script setup lang="ts">
import { onMounted, shallowRef } from 'vue'
import { changeAccount, listAccounts, resetPassword, type Account } from '../../../../shared/contracts/accounts'
import { call } from '../../../data/http'
import { useAttempt } from '../../../data/use-attempt'
import { useSession } from '../../session'
import InviteForm from './InviteForm.vue'
import PersonCard from './PersonCard.vue'

/** Who works here and what each may do; for leads. */
const session = useSession()
const accounts = shallowRef<Account[]>()
const { trouble, attempt } = useAttempt()
/** A password that was made just now: shown until the next act, and kept nowhere. */
const made = shallowRef<{ name: string; password: string }>()

const load = async () => void (accounts.value = (await call(listAccounts)).accounts)
onMounted(() => session.person?.role === 'lead' && attempt(load))
function invited(name: string, password: string): void {
  made.value = { name, password }
  void attempt(load)
}
const change = ({ id }: Account, body: Pick<Account, 'name' | 'role' | 'left'>) =>
  attempt(async () => {
    made.value = undefined
    await call(changeAccount, { params: { id }, body })
    if (id === session.person?.id) await session.renew()
    await load()
  })
const reset = ({ id, name }: Account) =>
  attempt(async () => {
    made.value = { name, password: (await call(resetPassword, { params: { id }, body: {} })).password }
  })
</script>

<template>
  <main class="page narrow">
    <h1>People</h1>
    <p v-if="session.person?.role !== 'lead'" class="card">Whoever leads the shop sees to this.</p>
    <template v-else>
      <section v-if="made" class="card made" role="status" aria-label="First password">
        <p>
          First password of <strong>{{ made.name }}</strong>: <code>{{ made.password }}</code>
        </p>
        <p class="small">
          It is shown this once. Hand it over in person; they choose their own under Me. Until then anybody who has it
          is them.
        </p>
      </section>
      <p v-if="trouble" role="alert" class="card">{{ trouble }}</p>
      <InviteForm @invited="invited" />
      <p v-if="!accounts && !trouble" class="soft">Fetching who works here …</p>
      <ul v-if="accounts" class="list" aria-label="Who works here">
        <PersonCard
          v-for="a in accounts"
          :key="a.id"
          :account="a"
          :own="a.id === session.person?.id"
          :time-zone="session.person!.timeZone"
          @change="change(a, $event)"
          @reset="reset(a)"
        />
      </ul>
    </template>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 900px;
}
.list {
  display: grid;
  gap: 0.6rem;
  margin: 0;
  padding: 0;
  list-style: none;
}
.made {
  border-left: 6px solid var(--ink);
}
code {
  font-size: 1.2rem;
  user-select: all;
}
</style>
