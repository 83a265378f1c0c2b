<script setup lang="ts">
import type { BackupList, BackupView } from '#shared/contracts/backups'

/** What would be left if the database were lost: the last backups, one to take along, and one to make now. */
const toast = useToast()
const list = shallowRef<BackupList | null>(null)
const busy = ref(false)
const problem = ref('')

const KINDS: Record<BackupView['kind'], string> = {
  daily: 'daily',
  asked: 'asked for',
  migration: 'before a change of tables',
}
const SHOWN = 8
const size = (bytes: number) => (bytes < 1e6 ? `${Math.round(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`)
const when = (at: string) =>
  new Date(at).toLocaleString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })
const headline = computed(() => {
  const last = list.value?.backups[0]
  return !list.value
    ? ''
    : last
      ? `The last one is of ${when(last.at)}; every one is read through before it counts.`
      : 'There is none yet. One is made each day while Mantel runs.'
})

async function load(): Promise<void> {
  try {
    list.value = await callApi<BackupList>('/api/backups')
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  }
}
onMounted(load)

async function make(): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    const { name } = await callApi<BackupView>('/api/backups', { method: 'POST', body: {} })
    await load()
    toast.add({ title: `Backed up to ${name}`, color: 'neutral', icon: 'i-lucide-check' })
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section class="backups" aria-labelledby="backups-title">
    <h2 id="backups-title">Backups</h2>
    <p class="quiet small" data-testid="backups-headline">{{ headline }}</p>
    <p v-if="problem || list?.problem" class="harm" role="alert">
      {{ problem || `The last try failed: ${list!.problem}` }}
    </p>
    <table v-if="list?.backups.length" class="plain">
      <thead>
        <tr>
          <th>Made</th>
          <th>Why</th>
          <th class="num">Size</th>
          <th><span class="sr-only">Take along</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in list.backups.slice(0, SHOWN)" :key="b.name" :data-backup="b.name">
          <td>{{ when(b.at) }}</td>
          <td class="quiet">{{ KINDS[b.kind] }}</td>
          <td class="num">{{ size(b.bytes) }}</td>
          <td>
            <a :href="`/api/backups/${b.name}`" :download="b.name" class="underline" :aria-label="`Download ${b.name}`"
              >Download</a
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="list && list.backups.length > SHOWN" class="quiet small">and {{ list.backups.length - SHOWN }} older</p>
    <p v-if="list" class="quiet small">
      They lie in <code>{{ list.folder }}</code>: 7 daily, 4 weekly and 12 monthly ones are kept. Take one along to
      another disk now and then. To put one in place: <code>npm run restore FILE</code>.
    </p>
    <UButton
      label="Back up now"
      icon="i-lucide-archive"
      variant="outline"
      color="neutral"
      :loading="busy"
      class="justify-self-start"
      @click="make"
    />
  </section>
</template>

<style scoped>
.backups {
  display: grid;
  gap: 0.75rem;
  max-width: 44rem;
  margin-top: 2.5rem;
}
.harm {
  color: var(--harm);
}
code {
  font-family: var(--font-mono);
  font-size: 0.9375em;
  overflow-wrap: anywhere;
}
@media (max-width: 640px) {
  table {
    font-size: 0.875rem;
  }
}
</style>
