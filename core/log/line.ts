import type { Almanac } from '../almanac'
import type { Unit } from '../units'
import type { Subject } from './entry'
import type { House } from './house'

/** One thing that a line says. */
export interface Fact {
  kind: string
  subject: Subject
  data: Record<string, unknown>
}

/** What a line means, or what must be asked. */
export type Understood =
  | ({
      ok: true
      says: string
      /** How long ago it happened; 0 = today. */ daysAgo: number
      /** Further facts of the same line. */ more: Fact[]
      /** The words as written, each with what they became. */ read: { words: string; says: string }[]
    } & Fact)
  | { ok: false; ask: string }

/** What carries a tag as it was written, or nearly so. */
export interface TagNamed {
  found: { subject: Subject; tag: string } | null
  /** A tag that is written nearly so. */
  near: string | null
}

/** What a line is about. */
export interface Known {
  subject: Subject
  tag: string
}

/** What a rule may look at. */
export interface Reading {
  known: Known
  house: House
  almanac: Almanac
  unit: Unit
  nextTag: string
  /** What carries a tag. */
  tagged: (tag: string) => TagNamed
}

/** A fact with its words, or the question to ask. */
export type Read = (Fact & { says: string }) | string

const NUMBER_WORDS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]
/** A number as a pattern: in figures or in words. */
export const COUNT = `(?:\\d+|an?|${NUMBER_WORDS.slice(1).join('|')})`

export function countOf(text: string): number {
  const word = text.toLowerCase()
  return word === 'a' || word === 'an' ? 1 : NUMBER_WORDS.includes(word) ? NUMBER_WORDS.indexOf(word) : Number(word)
}

export const say = (
  r: Reading,
  kind: string,
  data: Record<string, unknown>,
  says: string,
  subject: Subject = r.known.subject,
): Read => ({ kind, subject, data, says: `${r.known.tag}${says}` })

/** Something said of one sort of subject only. */
export function of(r: Reading, type: string, kind: string, data: Record<string, unknown>, says: string): Read {
  return r.known.subject.type === type
    ? say(r, kind, data, ` ${says}`)
    : `${r.known.tag} cannot be said to have ${says}`
}

/**
 * How a part of a line is read: the whole part, from its first word to its last; null leaves it to the rules after it.
 */
export type LineRule = [pattern: RegExp, read: (r: Reading, m: RegExpExecArray) => Read | null]
export const rule = (pattern: string, read: LineRule[1]): LineRule => [new RegExp(`^(?:${pattern})$`, 'i'), read]
