/** Where the house of this server lies. */
export const databaseFile = (): string => process.env.MANTEL_DB || 'data/mantel.sqlite'
