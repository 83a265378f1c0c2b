/** Hands a text, or what a file is made of, to the browser to be saved. */
export function saveFile(name: string, content: string | Uint8Array<ArrayBuffer>, type: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([content], { type }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}

/** A name that any system takes as that of a file. */
export const fileName = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
