export type Sex = 'male' | 'female' | 'unknown'

export const SEXES = ['male', 'female', 'unknown'] as const satisfies readonly Sex[]
