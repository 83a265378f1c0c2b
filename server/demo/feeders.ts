import type { Place, Subject } from '#core/subjects'
import type { DemoWriter } from './writer'

/** Fourteen cultures, the freezer and the lamps. */
export function feederCultures(w: DemoWriter, p: Record<'flies' | 'beetles' | 'colonies', Place>): { smelly: Subject } {
  const culture = (
    tag: string,
    feederId: string,
    place: Place,
    startedAgo: number,
    producingAgo: number | null,
    lastHarvestAgo: number | null = null,
  ) => {
    const subject = w.founded('cultureStarted', -startedAgo, { tag, feederId, placeId: place.id })
    if (producingAgo !== null) w.write('producing', subject, -producingAgo)
    if (lastHarvestAgo !== null) w.write('harvested', subject, -lastHarvestAgo, { count: 60 })
    return subject
  }
  culture('FS-1', 'fly.small', p.flies, 25, 11, 2)
  culture('FS-2', 'fly.small', p.flies, 18, 4, 1)
  culture('FS-3', 'fly.small', p.flies, 11, null)
  culture('FL-1', 'fly.large', p.flies, 30, 9, 3)
  culture('FL-2', 'fly.large', p.flies, 19, null)
  const failed = culture('FL-3', 'fly.large', p.flies, 12, null)
  w.write('cultureFailed', failed, -2, { why: 'mould over the medium' })
  culture('FL-4', 'fly.large', p.flies, 5, null)
  culture('BB-1', 'beanBeetle', p.beetles, 31, 6, 2)
  culture('BB-2', 'beanBeetle', p.beetles, 10, null)
  culture('RO-1', 'roach.nymph', p.colonies, 420, 250)
  const smelly = culture('RO-2', 'roach.nymph', p.colonies, 210, 60)
  culture('SP-1', 'springtail', p.colonies, 160, 120)
  culture('SP-2', 'springtail', p.colonies, 70, 30)
  culture('IS-1', 'isopod.dwarf', p.colonies, 200, 110)

  const counted: [string, number][] = [
    ['mouse.pinky', 44],
    ['mouse.fuzzy', 62],
    ['mouse.hopper', 38],
    ['mouse.weaned', 24],
    ['mouse.adult', 31],
    ['rat.small', 12],
    ['rat.weaned', 20],
    ['cricket.quarter', 420],
    ['cricket.half', 260],
  ]
  for (const [prey, count] of counted) w.write('preyCounted', { type: 'prey', id: prey }, -1, { count })
  w.write('preyOrdered', { type: 'prey', id: 'cricket.half' }, -1, { count: 250 })
  return { smelly }
}

/** What was bought and counted, what was found in a colony, and what comes round. */
export function lotsAndUpkeep(w: DemoWriter, smelly: Subject): void {
  // what was counted yesterday is of these
  const came: [string, number, number][] = [
    ['cricket.half', -8, 250],
    ['cricket.half', -2, 210],
    ['cricket.quarter', -2, 500],
    ['mouse.adult', -110, 25],
    ['mouse.adult', -20, 25],
    ['rat.weaned', -40, 25],
  ]
  for (const [prey, day, count] of came) w.write('preyReceived', { type: 'prey', id: prey }, day, { count })
  w.write('cultureFound', smelly, -1, { what: 'smell', note: 'sour, at the egg cartons' })
  // done as it comes round: the daily ones yesterday
  const seenTo: [string, string, number][] = [
    ['cricket.half', 'deadOut', -1],
    ['cricket.quarter', 'deadOut', -1],
    ['cricket.pinhead', 'deadOut', -1],
    ['roach.nymph', 'vegetables', -1],
    ['roach.nymph', 'protein', -4],
    ['springtail', 'flake', 0],
    ['isopod.dwarf', 'moist', -8],
  ]
  for (const [prey, job, day] of seenTo) w.write('upkeepDone', { type: 'prey', id: prey }, day, { job })
}

/** Two who send feeders, made up, of whom the one with the crickets answers by itself; and what cups are made of. */
export function suppliersAndMaterials(w: DemoWriter): void {
  const insects = w.found('supplier', 'supplierAdded', -200, {
    name: 'Sedge Lane Feeders',
    leadDays: 1,
    sendsOn: [1, 2, 3],
    minimum: 20,
    carriage: 5.5,
    simulated: true,
  })
  const frozen = w.found('supplier', 'supplierAdded', -200, {
    name: 'Coldharbour Frozen',
    leadDays: 3,
    sendsOn: [2],
    minimum: 40,
    carriage: 12,
  })
  const list = (prey: string, pieces: number, price: number) => ({ prey, pieces, price })
  w.write('priceListSet', insects, -60, {
    offers: [
      list('cricket.pinhead', 1000, 9.5),
      list('cricket.eighth', 1000, 11),
      list('cricket.quarter', 500, 8.8),
      list('cricket.half', 250, 7.9),
      list('cricket.half', 1000, 24),
      list('superworm', 100, 6.5),
    ].map(o => (o.pieces === 250 && o.prey === 'cricket.half' ? { ...o, usual: true } : o)),
  })
  w.write('priceListSet', frozen, -60, {
    offers: [
      list('mouse.pinky', 25, 9.5),
      list('mouse.hopper', 25, 14),
      list('mouse.weaned', 25, 18.5),
      list('mouse.adult', 25, 24),
      list('rat.weaned', 10, 16),
      list('rat.small', 10, 22),
    ],
  })
  const materials: [string, number][] = [
    ['cup of 950 mL with a cloth lid|each', 24],
    ['dry mix|mL', 700],
    ['climbing fibre|handful', 1],
    ['dry black-eyed peas, 50–75 mm deep|mL', 2700],
  ]
  for (const [id, amount] of materials) w.write('materialCounted', { type: 'material', id }, -3, { amount })
  w.write('materialBought', { type: 'material', id: 'dry mix|mL' }, -2, { amount: 500, price: 6 })
}
