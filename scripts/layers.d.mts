export declare const CHAPTERS: readonly string[]
