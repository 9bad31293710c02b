<script setup lang="ts">
const { look, turn } = useLook()
const session = useSession()
const leave = async () => {
  await session.signOut()
  await navigateTo('/sign-in')
}
</script>

<template>
  <div>
    <header class="top">
      <NuxtLink to="/" class="brand"><img src="/mark.svg" alt="" width="26" height="26" /> Duckweed</NuxtLink>
      <span v-if="session.user" class="soft small who">{{ session.user.organisationName }}</span>
      <span class="push" />
      <button type="button" class="plain" :aria-label="`Look: ${look}. Change it`" @click="turn">
        <i
          :class="look === 'light' ? 'pi pi-sun' : look === 'dark' ? 'pi pi-moon' : 'pi pi-circle-fill'"
          aria-hidden="true"
        /><span class="wide">{{ look }}</span>
      </button>
      <button v-if="session.user" type="button" class="plain" @click="leave">
        <span class="wide">{{ session.user.name }} ·</span> sign out
      </button>
    </header>
    <NuxtPage />
  </div>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 0.8rem;
  padding: 0.2rem 1rem;
  border-bottom: 1px solid var(--line);
  min-height: 48px;
}
.brand {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  font-weight: 700;
  color: inherit;
  text-decoration: none;
  min-height: 44px;
}
.plain {
  background: none;
  border: 0;
  min-height: 44px;
  padding: 0 0.5rem;
  cursor: pointer;
  display: flex;
  gap: 0.4rem;
  align-items: center;
}
@media (max-width: 700px) {
  .who,
  .wide {
    display: none;
  }
}
</style>
