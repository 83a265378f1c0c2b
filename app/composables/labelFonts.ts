import tagLatin from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-700-normal.woff?url'
import tagLatinExt from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-ext-700-normal.woff?url'
import wordsLatin from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url'
import wordsLatinExt from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url'
import type { LabelFonts } from './labelPdf'

/** The fonts of the screens as a PDF takes them: not variable. */
export async function labelFonts(): Promise<LabelFonts> {
  const load = async (url: string) => {
    const answer = await fetch(url)
    if (!answer.ok) throw new Error(`No font at ${url}`)
    return answer.arrayBuffer()
  }
  const [tag, tagExt, words, wordsExt] = await Promise.all([tagLatin, tagLatinExt, wordsLatin, wordsLatinExt].map(load))
  return { tag: [tag!, tagExt!], words: [words!, wordsExt!] }
}
