<script setup lang="ts">
import { lossesReasons, tellLosses, type Losses } from '#core/season'

/** How many of a clutch were lost, and whether that is usual. */
defineProps<{ tag: string; losses: Losses }>()
const house = useHouse()
</script>

<template>
  <p class="small">
    <WorkingLink
      :title="`${tag}: losses`"
      :answer="tellLosses(losses, house.almanac)"
      :reasons="lossesReasons(losses, house.almanac)"
    />
  </p>
</template>
