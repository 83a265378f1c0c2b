import type { Subject } from '../../subjects'

/** What a task is of, an animal if nothing else is said, and where it is done. */
export const about = (
  { id, tag, placeId }: { id: string; tag: string; placeId: string | null },
  type: Subject['type'] = 'animal',
) => ({ subject: { type, id }, tag, placeId })
