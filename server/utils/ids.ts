import { v7 } from 'uuid'

/** UUIDv7: sorts by the time it was made. */
export const newId = (): string => v7()
