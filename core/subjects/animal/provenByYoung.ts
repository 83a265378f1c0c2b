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

/** What the clutches of a house prove of their parents, one by one. */
function* proofsOf({ clutches, pairings }: House): Generator<{ id: string; proof: Proof }> {
  for (const clutch of Object.values(clutches)) {
    const pairing = clutch.pairingId ? pairings[clutch.pairingId]! : null
    if (!pairing) continue
    const proof = clutch.kind === 'litter' ? 'birth' : 'eggs'
    yield { id: pairing.damId, proof: { proof, says: 'female', day: clutch.startDay, entryId: clutch.id } }
    const alive = clutch.hatched[0]
    if (pairing.sireId && alive)
      yield { id: pairing.sireId, proof: { proof: 'sired', says: 'male', day: alive.day, entryId: alive.entryId } }
  }
}

/** What laid, gave birth or sired living young is proven by it. */
export function provenByYoung(house: House, _: Records, memory: FoldMemory): void {
  const proofs = new Map<string, Proof[]>()
  for (const { id, proof } of proofsOf(house)) {
    const list = proofs.get(id)
    if (list) list.push(proof)
    else proofs.set(id, [proof])
  }
  for (const [id, list] of proofs)
    if (house.animals[id]) house.animals[id] = withProofs(house.animals[id], list, memory)
}

/** The same of one animal, where only its own entries have changed. */
export function oneProvenByYoung(house: House, id: string, memory: FoldMemory): void {
  const proofs = [...proofsOf(house)].filter(p => p.id === id).map(p => p.proof)
  if (proofs.length && house.animals[id]) house.animals[id] = withProofs(house.animals[id], proofs, memory)
}
