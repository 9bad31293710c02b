<script setup lang="ts">
import { onMounted } from 'vue'
import { useRouter } from 'vue-router'
import { lastStep } from '../../../../data/last-step'

/** A job without a step: on to where this device left it, or to the next test. */
const props = defineProps<{ id: string }>()
const router = useRouter()
onMounted(() => void router.replace(`/jobs/${props.id}/${lastStep(props.id) ?? 'find'}`))
</script>

<template><section class="step" /></template>
