<script setup lang="ts">
import { useHead } from '#imports'
import { CustomerImport } from '../../../features/machines'

useHead({ title: 'Customers from a file · Duckweed' })
</script>

<template>
  <CustomerImport />
</template>
