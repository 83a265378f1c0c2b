/** What is wrong with a day that is to be written; undefined when nothing is. */
export function dayProblem(
  day: number | null,
  { max, min, optional }: { max?: number; min?: number; optional?: boolean },
): string | undefined {
  if (day === null) return optional ? undefined : 'Write a day, or pick one'
  if (max !== undefined && day > max) return 'This day is still to come; write what has happened'
  if (min !== undefined && day < min) return 'This day is past'
  return undefined
}
