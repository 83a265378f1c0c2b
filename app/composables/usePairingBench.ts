import { useLocalStorage } from '@vueuse/core'
import { assign } from '#core/pairing'
import type { Bench, BenchWish } from '#core/season'
import type { BenchSnapshot } from '#shared/contracts/bench'

/** Each further female of one male counts so much less: the line stays wider over more fathers. [memory] */
const FURTHER_FEMALE = 0.02

/**
 * The matrix of one species and wish as the server judges it, with what the keeper keeps or leaves out, and the best
 * allocation of the rest.
 */
export function usePairingBench(speciesId: Ref<string>, wishes: Ref<BenchWish[]>) {
  const house = useHouse()
  const bench = shallowRef<Bench | null>(null)
  const problem = ref('')
  const loading = ref(false)
  /** By species: the male that a female keeps by id, or null when she stays alone. */
  const bent = useLocalStorage<Record<string, Record<string, string | null>>>('pairing-bent', {})
  const choices = computed(() => bent.value[speciesId.value] ?? {})
  let turn = 0

  async function load(): Promise<void> {
    const mine = ++turn
    if (!speciesId.value) return
    loading.value = true
    try {
      const answer = await callApi<BenchSnapshot>(
        `/api/bench?speciesId=${encodeURIComponent(speciesId.value)}&wish=${encodeURIComponent(JSON.stringify(wishes.value))}`,
      )
      if (mine !== turn) return
      bench.value = answer.bench
      problem.value = ''
    } catch (error) {
      if (mine === turn) problem.value = error instanceof Error ? error.message : String(error)
    } finally {
      if (mine === turn) loading.value = false
    }
  }
  watch([speciesId, wishes, () => house.snapshot?.version], load, { immediate: true, deep: true })

  /** For each female the column of her male, −1 for none. */
  const chosen = computed<number[]>(() => {
    const b = bench.value
    if (!b) return []
    const n = b.sires.length
    const worth = b.dams.map((_, i) => b.worths.slice(i * n, (i + 1) * n))
    const set = new Map(
      Object.values(house.house.pairings)
        .filter(p => !p.ended && p.sireId)
        .map(p => [p.damId, p.sireId]),
    )
    const fixed = b.dams.map(d => {
      if (!(d.id in choices.value)) {
        // a pair that is set stands, until the keeper says otherwise
        const his = b.sires.findIndex(s => s.id === set.get(d.id))
        return his < 0 ? null : his
      }
      const sire = choices.value[d.id]
      return sire === null || sire === undefined ? -1 : b.sires.findIndex(s => s.id === sire)
    })
    return assign(
      worth,
      b.sires.map(() => b.perMale),
      fixed,
      FURTHER_FEMALE,
    )
  })

  function bend(damId: string, sireId: string | null | undefined): void {
    const own = { ...choices.value }
    if (sireId === undefined) Reflect.deleteProperty(own, damId)
    else own[damId] = sireId
    bent.value = { ...bent.value, [speciesId.value]: own }
  }

  return { bench, chosen, choices, bend, problem, loading }
}
