import type { AnimalState } from '../../subjects'

/** Of which animal a task is, and where it is done. */
export const about = ({ id, tag, placeId }: Pick<AnimalState, 'id' | 'tag' | 'placeId'>) => ({
  subject: { type: 'animal' as const, id },
  tag,
  placeId,
})
