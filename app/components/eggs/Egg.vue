<script setup lang="ts">
import type { EggLook } from './drawing'

/** One egg from above, by a shape of its own for each state: colour alone tells nothing in the dark. */
defineProps<{ look: EggLook; cx: number; cy: number; r: number }>()
</script>

<template>
  <g :transform="`translate(${cx},${cy}) scale(${r / 10})`" :class="look">
    <ellipse v-if="look !== 'out' && look !== 'yolkIn'" rx="8.2" ry="10" />
    <template v-else>
      <path d="M-8.2 1 L-4 -2 L-1 2 L3 -2 L8.2 1 A8.2 9 0 0 1 -8.2 1 Z" />
      <circle v-if="look === 'yolkIn'" cx="0" cy="5" r="2.6" class="mark-fill" />
    </template>
    <path v-if="look === 'pipped'" d="M-3 -8 L0 -3 L-2 1 L3 4" class="mark" />
    <path v-if="look === 'dead'" d="M-5 -6 L5 6 M5 -6 L-5 6" class="mark" />
    <path v-if="look === 'slug'" d="M-6 0 L6 0" class="mark" />
    <circle v-if="look === 'sound'" r="2.4" class="mark-fill" />
  </g>
</template>

<style scoped>
ellipse,
path {
  fill: var(--ui-bg);
  stroke: var(--ui-text-muted);
  stroke-width: 1.4;
}
.sound ellipse,
.pipped ellipse {
  fill: var(--stage-egg);
  stroke: var(--ui-text);
}
.doubtful ellipse {
  stroke-dasharray: 4 3;
  stroke: var(--ui-text);
}
.isolated ellipse {
  stroke-dasharray: 1.5 2.5;
  stroke: var(--ui-text);
}
.dead ellipse,
.slug ellipse {
  fill: transparent;
}
.mark {
  fill: none;
  stroke: var(--ui-text);
  stroke-width: 1.8;
}
.mark-fill {
  fill: var(--ui-text);
}
.sound .mark-fill {
  fill: var(--ui-bg);
}
.pipped .mark {
  stroke: var(--ui-bg);
}
.out path:first-child,
.yolkIn path:first-child {
  fill: var(--stage-hatchling);
  stroke: var(--ui-text);
}
</style>
