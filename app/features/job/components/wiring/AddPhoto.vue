<script setup lang="ts">
import type { Job } from '../../../../../core/job'
import { PhotoPicker } from '../../../../ui'
import { useJobContext } from '../../use-job-context'

/** A photo at any moment; all of them are shown with the wiring. */
defineProps<{ about: Job['photos'][number]['about'] }>()
const { job, locked, photos } = useJobContext()
const { state } = job
</script>

<template>
  <PhotoPicker
    v-if="!locked"
    :busy="photos.busy.value"
    :fault="photos.fault.value"
    @picked="photos.add($event, about)"
  />
  <p v-if="state.photos.length" class="small soft">
    {{ state.photos.length }} {{ state.photos.length === 1 ? 'photo' : 'photos' }}, shown under Wiring.
  </p>
</template>
