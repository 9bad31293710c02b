<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import type { Account } from '../../../../shared/contracts/accounts'
import { formatMoment, HoldButton } from '../../../ui'
import { ROLE_CHOICES } from '../roles'

/** Somebody who works here: name, role, a new password, and that they have left. */
const props = defineProps<{ account: Account; own: boolean; timeZone: string }>()
const emit = defineEmits<{
  change: [to: Pick<Account, 'name' | 'role' | 'left'>]
  reset: []
}>()
const name = ref(props.account.name)
const role = ref(props.account.role)
watch(
  () => props.account,
  (now) => {
    name.value = now.name
    role.value = now.role
  },
)
const changed = computed(() => name.value.trim() !== props.account.name || role.value !== props.account.role)
const keep = (left = props.account.left) =>
  name.value.trim() && emit('change', { name: name.value.trim(), role: role.value, left })
const title = computed(() => ROLE_CHOICES.find((r) => r.value === props.account.role)!.title)
</script>

<template>
  <li class="card stack" :aria-label="account.name">
    <p>
      <strong>{{ account.name }}</strong> <span v-if="own" class="soft">(you)</span>
      <span v-if="account.left"> has left</span><br />
      <span class="small soft"
        >{{ account.email }} · {{ title
        }}<template v-if="account.seenAt"> · last here {{ formatMoment(account.seenAt, timeZone) }}</template></span
      >
    </p>
    <details>
      <summary>Change</summary>
      <form class="stack" @submit.prevent="keep()">
        <label class="field">Name <InputText v-model="name" :maxlength="80" /></label>
        <label v-if="!own" class="field"
          >What they may do
          <Select
            v-model="role"
            :options="[...ROLE_CHOICES]"
            option-value="value"
            option-label="title"
            :aria-label="`Role of ${account.name}`"
        /></label>
        <p v-if="!own && role !== account.role" class="small">They are signed out everywhere and come back with it.</p>
        <div class="row">
          <Button type="submit" severity="secondary" :disabled="!changed || !name.trim()">Keep</Button>
        </div>
      </form>
      <div v-if="!own" class="row acts">
        <HoldButton @held="emit('reset')">Give a new password</HoldButton>
        <Button v-if="account.left" severity="secondary" @click="keep(false)">Let back in</Button>
        <HoldButton v-else @held="keep(true)">Has left: signs in no more</HoldButton>
      </div>
    </details>
  </li>
</template>

<style scoped>
p {
  margin: 0;
}
summary {
  display: flex;
  align-items: center;
  min-height: 44px;
  cursor: pointer;
  text-decoration: underline;
}
.acts {
  margin-top: 0.6rem;
}
</style>
