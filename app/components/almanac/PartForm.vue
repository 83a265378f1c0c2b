<script setup lang="ts">
import {
  borrowed,
  ownWhereChanged,
  partFields,
  partWords,
  type Feeder,
  type PartField,
  type Species,
} from '#core/almanac'

/**
 * Parts of a species or feeder on a form that follows from what each part holds; what is not known is taken over or
 * left open.
 */
const props = defineProps<{
  of: 'species' | 'feeder'
  row: Species | Feeder
  title: string
  parts: readonly string[]
}>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()

type Tree = Record<string, unknown>
const copy = <T,>(x: T): T => JSON.parse(JSON.stringify(x ?? null)) as T
/** As it stood, with what was taken over since: what differs from this is the house's own. */
const before = ref<Tree>({})
const draft = ref<Tree>({})
watch(
  open,
  is => {
    if (!is) return
    const now = Object.fromEntries(props.parts.map(p => [p, (props.row as unknown as Tree)[p]]))
    before.value = copy(now)
    draft.value = copy(now)
  },
  { immediate: true },
)

const isTree = (x: unknown): x is Tree => typeof x === 'object' && x !== null
const at = (tree: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((node, key) => (isTree(node) ? node[key] : undefined), tree)
/**
 * A tree with another value at a path. Inside a part what is not known is left out; a part itself is said not to be.
 */
function put(tree: Tree, [key, ...rest]: readonly string[], value: unknown, whole = true): Tree {
  if (key === undefined) return tree
  const node = rest.length ? put(isTree(tree[key]) ? tree[key] : {}, rest, value, false) : value
  return Object.fromEntries(
    Object.entries({ ...tree, [key]: node }).filter(([k, v]) => k !== key || v !== null || whole),
  )
}
function set(path: string, value: unknown): void {
  draft.value = put(draft.value, path.split('.'), value)
}

const fields = computed(() => props.parts.flatMap(p => partFields(props.of, p as never, draft.value[p])))
/** As the sheet would call it with what is taken over. */
const words = computed(() => {
  const known = Object.entries(draft.value).filter(([, value]) => value !== null)
  return partLabels({ ...props.row, ...Object.fromEntries(known) }, house.almanac)
})

const isNumbers = (f: PartField) => f.is === 'fact' || f.is === 'spread' || f.is === 'measure'
/** Numbers that are asked for and not given. */
const missing = computed(() =>
  fields.value
    .filter(f => isNumbers(f))
    .filter(f => Object.values(at(draft.value, f.path) as Tree).some(v => v === null || v === undefined))
    .map(f => words.value.label(f.path)),
)

/** Whose value may be taken over: those of its own way and group stand first. */
function donors(path: string, fits: (value: unknown) => boolean = () => true) {
  const rows: Record<string, Species | Feeder> =
    props.of === 'species' ? house.almanac.species : house.knowledge.feeders
  const near = (s: Species | Feeder) =>
    'group' in s && 'group' in props.row ? Number(s.group !== props.row.group) + Number(s.mode !== props.row.mode) : 0
  return Object.values(rows)
    .filter(s => s.id !== props.row.id && at(s, path) !== undefined && fits(at(s, path)))
    .sort((a, b) => near(a) - near(b) || (a.name < b.name ? -1 : 1))
    .map(s => ({ value: s.id, label: s.name }))
}
function takeOver(path: string, id: string): void {
  const rows: Record<string, Species | Feeder> =
    props.of === 'species' ? house.almanac.species : house.knowledge.feeders
  const taken = borrowed(copy(at(rows[id], path)), rows[id]!.name)
  before.value = put(before.value, path.split('.'), copy(taken))
  set(path, taken)
}
function vary(f: PartField & { is: 'variant' }, choice: string): void {
  const from = donors(f.path, value => isTree(value) && value[f.key] === choice)[0]
  if (from) takeOver(f.path, from.value)
}
const said = () =>
  Object.fromEntries(
    props.parts
      .filter(
        p =>
          draft.value[p] !== undefined &&
          JSON.stringify(draft.value[p]) !== JSON.stringify(props.row[p as never] ?? null),
      )
      .map(p => [p, draft.value[p] === null ? null : ownWhereChanged(before.value[p], draft.value[p])]),
  )
const hint = computed(() =>
  fields.value.some(f => f.is === 'spread' || f.is === 'clocks') ? '; three numbers are earliest, likely, latest' : '',
)
const says = computed(() => props.parts.map(partWords).join(', '))
</script>

<template>
  <AlmanacPartFrame
    v-model:open="open"
    :of="of"
    :row="row"
    :title="title"
    :parts="parts"
    :said="said"
    :says="says"
    button="Set"
    :missing="missing"
    :description="`${row.name}: what you change is marked as yours${hint}`"
  >
    <template v-for="f in fields" :key="f.path">
      <div v-if="f.is === 'group'" class="head">
        <h4>{{ words.label(f.path) }}</h4>
        <UButton
          label="Not known"
          size="xs"
          variant="ghost"
          color="neutral"
          :aria-label="`${words.label(f.path)}: not known`"
          @click="set(f.path, null)"
        />
      </div>
      <AlmanacClocks
        v-else-if="f.is === 'clocks'"
        :model-value="at(draft, f.path) as never"
        @update:model-value="set(f.path, $event)"
      />
      <AlmanacPartField
        v-else
        :field="f"
        :value="at(draft, f.path)"
        :label="words.label(f.path)"
        :choice="words.choice"
        :column="key => words.label(`${f.path}.${key}`)"
        :donors="f.is === 'absent' ? donors(f.path) : []"
        @set="set(f.path, $event)"
        @take="takeOver(f.path, $event)"
        @vary="f.is === 'variant' && vary(f, $event)"
      />
    </template>
  </AlmanacPartFrame>
</template>

<style scoped>
.head {
  display: flex;
  gap: 0.75rem;
  align-items: center;
  border-top: 1px solid var(--ui-border);
  padding-top: 0.75rem;
}
.head:first-child {
  border-top: 0;
  padding-top: 0;
}
h4 {
  font-weight: 650;
}
</style>
