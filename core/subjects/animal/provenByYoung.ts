import type { FoldMemory, House, Observed, Records } from '../../log'
import type { AnimalState, SexProof } from './state'

type Proof = Observed & { proof: SexProof; says: 'male' | 'female' }

/** An animal with the proof of sex that its young give; the same object for the same young. */
function withProofs(animal: AnimalState, proofs: readonly Proof[], memory: FoldMemory): AnimalState {
  const proven = memory.of<AnimalState, { by: string; state: AnimalState }>('proven by young')
  const by = proofs.map(p => p.entryId).join()
  const known = proven.get(animal)
  if (known?.by === by) return known.state
  const sexEvidence = [...animal.sexEvidence, ...proofs.map(p => ({ by: 'proof' as const, ...p }))].sort(
    (a, b) => a.day - b.day,
  )
  const last = sexEvidence.filter(e => e.by === 'proof').at(-1)!
  const state: AnimalState = { ...animal, sexEvidence, sex: last.says }
  proven.set(animal, { by, state })
  return state
}

/** What laid, gave birth or sired living young is proven by it. */
export function provenByYoung(house: House, _: Records, memory: FoldMemory): void {
  const proofs = new Map<string, Proof[]>()
  const add = (id: string, proof: SexProof, says: 'male' | 'female', at: Observed) => {
    const list = proofs.get(id)
    if (list) list.push({ proof, says, ...at })
    else proofs.set(id, [{ proof, says, ...at }])
  }
  for (const clutch of Object.values(house.clutches)) {
    const pairing = clutch.pairingId ? house.pairings[clutch.pairingId]! : null
    if (!pairing) continue
    const laid = { day: clutch.startDay, entryId: clutch.id }
    add(pairing.damId, clutch.kind === 'litter' ? 'birth' : 'eggs', 'female', laid)
    const alive = clutch.hatched[0]
    if (pairing.sireId && alive) add(pairing.sireId, 'sired', 'male', { day: alive.day, entryId: alive.entryId })
  }
  for (const [id, list] of proofs)
    if (house.animals[id]) house.animals[id] = withProofs(house.animals[id], list, memory)
}
