<script setup lang="ts">
import { linkHorizontal } from 'd3'
import { drawPedigree } from '#core/pedigree'
import { inbreedingOf, kinOf } from '#core/season'

/**
 * The ancestors of one animal: young at the left, each ancestor once; one reached by two ways is marked, its second way
 * dashed.
 */
const props = withDefaults(defineProps<{ animalId: string; generations?: number; width: number }>(), { generations: 3 })
const house = useHouse()

const kin = computed(() => kinOf(house.house))
const drawn = computed(() => drawPedigree(props.animalId, kin.value.animals, props.generations))
const ROW = 46
const column = computed(() => Math.max(152, (props.width - 8) / drawn.value.generations))
const box = computed(() => Math.min(132, column.value - 40))
const height = computed(() => drawn.value.rows * ROW + 8)
const width = computed(() => Math.max(props.width, column.value * drawn.value.generations))
const at = computed(
  () =>
    new Map(drawn.value.nodes.map(n => [n.id, { x: n.generation * column.value + 4, y: n.row * ROW + ROW / 2 + 4 }])),
)
const nodes = computed(() =>
  drawn.value.nodes.map(n => {
    const a = house.house.animals[n.id]!
    const f = inbreedingOf(kin.value, n.id)
    return {
      ...n,
      ...at.value.get(n.id)!,
      tag: a.tag,
      sex: a.sex,
      f,
      status: a.status,
      sub: [
        a.status === 'elsewhere' ? 'elsewhere' : a.status === 'alive' ? '' : a.status,
        a.origin === 'wild' ? 'wild' : '',
        f > 0 ? `F ${(f * 100).toFixed(1)} %` : '',
      ]
        .filter(Boolean)
        .join(', '),
    }
  }),
)
const link = linkHorizontal<unknown, [number, number]>()
const links = computed(() =>
  drawn.value.links.map((l, i) => {
    const [from, to] = [at.value.get(l.from)!, at.value.get(l.to)!]
    return {
      ...l,
      key: i,
      path: link({ source: [from.x + box.value, from.y], target: [to.x, to.y] }) ?? '',
      mid: { x: from.x + box.value + (to.x - from.x - box.value) * 0.72, y: from.y + (to.y - from.y) * 0.86 },
    }
  }),
)
</script>

<template>
  <div class="scroll">
    <svg
      :width="width"
      :height="height"
      role="group"
      :aria-label="`Pedigree of ${house.house.animals[animalId]?.tag}, ${drawn.generations - 1} generations of ancestors known`"
    >
      <path
        v-for="l in links"
        :key="l.key"
        :d="l.path"
        class="link"
        :class="{ loop: l.loop, doubtful: l.chance < 1 }"
      />
      <template v-for="l in links" :key="`c${l.key}`">
        <text v-if="l.chance < 1" :x="l.mid.x" :y="l.mid.y - 3" text-anchor="middle" class="sub chance">
          {{ Math.round(l.chance * 100) }} %
        </text>
      </template>
      <NuxtLink v-for="n in nodes" :key="n.id" v-slot="{ href, navigate }" :to="`/animals/${n.id}`" custom>
        <a :href="href" @click="navigate">
          <g :transform="`translate(${n.x},${n.y})`" :data-ancestor="n.tag" :class="{ shared: n.shared }">
            <rect v-if="n.sex !== 'female'" :width="box" height="36" y="-18" class="node" />
            <rect v-else :width="box" height="36" y="-18" rx="18" class="node" />
            <text :x="n.sex === 'female' ? 14 : 9" :y="n.sub ? -3 : 5" class="tag">
              {{ n.tag }}{{ n.shared ? ' ◆' : '' }}
            </text>
            <text v-if="n.sub" :x="n.sex === 'female' ? 14 : 9" y="12" class="sub">{{ n.sub }}</text>
          </g>
        </a>
      </NuxtLink>
    </svg>
    <p class="quiet small">
      Rounded: female; square: male or unknown. <b>◆</b> comes into it by more than one way, drawn once; dashed is the
      second way.
    </p>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  max-width: 100%;
}
.node {
  fill: var(--ui-bg);
  stroke: var(--ui-border-accented);
  stroke-width: 1.25;
}
.shared .node {
  stroke: var(--stage-pairing);
  stroke-width: 2.5;
}
.link {
  fill: none;
  stroke: var(--ui-border-accented);
  stroke-width: 1.25;
}
.link.loop {
  stroke: var(--stage-pairing);
  stroke-dasharray: 5 4;
}
.link.doubtful {
  stroke-dasharray: 2 4;
}
.tag {
  font-family: var(--font-mono);
  font-size: 14px;
  font-weight: 600;
  fill: var(--ui-text-highlighted);
}
.sub {
  font-size: 13px;
  fill: var(--ui-text-muted);
}
.chance {
  paint-order: stroke;
  stroke: var(--ui-bg);
  stroke-width: 4px;
}
a:focus-visible .node {
  stroke: var(--ui-primary);
  stroke-width: 3;
}
</style>
