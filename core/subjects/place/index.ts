import { defineSubject, type DatedEntry } from '../../log'
import { placeKinds } from './kinds'
import { placeLines } from './lines'
import type { Place } from './state'

/** The entry that brings a place into the house. */
export function placeAdded({ id, ...data }: Place, arrival: Pick<DatedEntry, 'at' | 'day' | 'source'>): DatedEntry {
  return { id, ...arrival, subject: { type: 'place', id }, kind: 'placeAdded', data }
}

export const place = defineSubject({
  type: 'place',
  collection: 'places',
  noun: { one: 'place', many: 'places' },
  kinds: placeKinds,
  lines: placeLines,
  namesOf: ({ name, parentId }, { places }) => [
    name,
    ...(parentId && places[parentId] ? [`${places[parentId].name} ${name}`] : []),
  ],
  found: ({ id, data }) => ({ id, ...(data as unknown as Omit<Place, 'id'>) }),
})
