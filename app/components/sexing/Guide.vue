<script setup lang="ts">
import { sexingGuide } from '#core/sexing'
import type { AnimalState } from '#core/subjects'

/** How to sex this animal without harm: tool, steps, when to stop. Own drawings. */
const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const species = computed(() => house.almanac.species[props.animal.speciesId]!)
const guide = computed(() =>
  sexingGuide(species.value, props.animal.weights.at(-1)?.massG ?? null, house.almanac.common),
)
</script>

<template>
  <details class="guide">
    <summary>How to do it without harm</summary>
    <p v-if="guide.venomous" class="harm"><UIcon name="i-lucide-triangle-alert" class="size-4" /> Venomous.</p>
    <p v-if="guide.probe">
      Probe: round-ended, {{ guide.probe.value }} mm across for its weight<span class="quiet">
        ({{ MARK_WORDS[guide.probe.mark] }})</span
      >.<b v-if="guide.twoPeople"> Two people.</b>
    </p>
    <div v-if="guide.probe" class="drawings">
      <figure>
        <svg
          viewBox="0 0 220 96"
          role="img"
          aria-label="Tail from below: the probe lies beside the midline, pointing to the tip"
        >
          <path d="M4 22 C60 20 140 26 214 47 C140 68 60 76 4 74 Z" class="body" />
          <g class="scales">
            <path v-for="i in 9" :key="i" :d="`M${58 + i * 15} ${27 + i * 1.6} q4 20 0 ${43 - i * 3.2}`" />
          </g>
          <path d="M44 25 q10 23 0 47" class="vent" />
          <line x1="4" x2="214" y1="48" y2="47" class="mid" />
          <path d="M20 60 L128 56" class="probe" />
          <circle cx="129" cy="56" r="3.4" class="tip" />
          <text x="30" y="92">vent</text>
          <line x1="46" x2="46" y1="74" y2="82" class="lead" />
          <text x="112" y="92">probe</text>
          <line x1="122" x2="122" y1="60" y2="82" class="lead" />
        </svg>
        <figcaption>From below. Flat along one side, never on the midline; toward the tip.</figcaption>
      </figure>
      <figure>
        <svg
          viewBox="0 0 220 96"
          role="img"
          aria-label="Two tails: in a female the probe stops after two scales, in a male it goes deep"
        >
          <g v-for="(deep, i) in [40, 104]" :key="i" :transform="`translate(0,${i * 46})`">
            <path d="M30 8 C90 6 160 12 214 21 C160 31 90 38 30 36 Z" class="body" />
            <g class="scales">
              <path v-for="k in 10" :key="k" :d="`M${52 + k * 14} ${11 + k * 0.9} q3 11 0 ${22 - k * 1.7}`" />
            </g>
            <path :d="`M36 27 L${36 + deep} ${25.5}`" class="probe" />
            <circle :cx="37 + deep" cy="25.4" r="3" class="tip" />
            <text x="0" y="26">{{ i ? '♂' : '♀' }}</text>
          </g>
        </svg>
        <figcaption>Count the scales it passed: few in females, clearly more in males.</figcaption>
      </figure>
      <figure>
        <svg
          viewBox="0 0 220 96"
          role="img"
          aria-label="Tail shape: tapering at once in a female, parallel for a stretch in a male"
        >
          <path d="M10 10 L70 14 C120 20 170 26 206 27 C170 28 120 34 70 40 L10 44 Z" class="body" />
          <text x="76" y="10">♀ tapers at once</text>
          <path d="M10 54 L120 56 C160 60 190 68 208 71 C190 74 160 82 120 86 L10 90 Z" class="body" />
          <text x="90" y="53">♂ stays wide</text>
          <path d="M70 14 q6 13 0 26 M70 55 q6 16 0 33" class="vent" />
        </svg>
        <figcaption>Tail shape behind the vent.</figcaption>
      </figure>
    </div>
    <ol>
      <li v-for="step in guide.steps" :key="step">{{ step }}</li>
    </ol>
    <p v-for="s in guide.stop" :key="s" class="stop"><UIcon name="i-lucide-octagon-x" class="size-4" /> {{ s }}</p>
    <p v-for="h in guide.hygiene" :key="h" class="quiet">{{ h }}</p>
    <p v-if="!guide.venomous" class="quiet">
      If you were never shown, do not probe: let someone trained do it, or wait until other signs tell.
    </p>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  font-weight: 600;
  padding: 0.625rem 0;
  min-height: 2.75rem;
}
.guide {
  border-block: 1px solid var(--ui-border);
}
.guide > *:not(summary) {
  margin-bottom: 0.625rem;
}
ol {
  list-style: decimal;
  padding-left: 1.25rem;
  display: grid;
  gap: 0.25rem;
}
.stop,
.harm {
  color: var(--harm);
}
.drawings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
  gap: 1rem;
}
figcaption {
  font-size: 0.875rem;
  color: var(--ui-text-muted);
}
svg {
  width: 100%;
  max-width: 20rem;
  height: auto;
}
.body {
  fill: var(--ui-bg-elevated);
  stroke: var(--ui-text-muted);
}
.scales path,
.lead {
  stroke: var(--ui-border-accented);
  fill: none;
}
.vent {
  stroke: var(--ui-text-highlighted);
  stroke-width: 2;
  fill: none;
}
.mid {
  stroke: var(--harm);
  stroke-dasharray: 3 3;
}
.probe {
  stroke: var(--ui-primary);
  stroke-width: 3;
}
.tip {
  fill: var(--ui-primary);
}
text {
  font-size: 13px;
  fill: var(--ui-text-toned);
}
</style>
