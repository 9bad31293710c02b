<script setup lang="ts">
import { NuxtPage } from '#components'
import { ShopBar } from '../features/shop'
</script>

<template>
  <div><ShopBar /><NuxtPage /></div>
</template>
