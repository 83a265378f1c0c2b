export { ENTRY_SOURCES, Entry, LogbookError, Subject, type DatedEntry, type Problem } from './entry'
export type { House, Observed, ToldWarmth, StateOf, Unread } from './house'
export {
  defineKind,
  seen,
  sure,
  writtenAgain,
  type CheckContext,
  type EntryKind,
  type FieldHint,
  type ReadUnits,
  type KindContext,
  type Lift,
} from './kind'
export {
  COUNT,
  countOf,
  of,
  rule,
  say,
  type Fact,
  type LineRule,
  type Read,
  type Reading,
  type TagNamed,
  type Understood,
} from './line'
export { readLineWith } from './readLine'
export { Draft } from './draft'
export { FoldMemory } from './memory'
export { redated, type Redated } from './redated'
export { findEntry, inOrder, recordsFrom, subjectKey, withEntries, withEntry, type Records } from './records'
export { describeEntry, isNewer, lifted, registryOf, statesOf, versionOf, type Registry } from './registry'
export { defineSubject, type Base, type SubjectModule } from './subject'
export { foldWith } from './fold'
export { checkWith, completeWith } from './check'
export { tagNamedIn, tagOwner, tagged } from './tags'
