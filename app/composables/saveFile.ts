/** Hands a text to the browser as a file to be saved. */
export function saveFile(name: string, text: string, type: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}

/** A name that any system takes as that of a file. */
export const fileName = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
