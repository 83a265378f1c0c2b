/** Streams that are open, each with how it is closed: a server that stops does not wait for them. */
const open = new Set<() => Promise<void>>()

/** @returns to be called when the stream was closed */
export function keepOpen(close: () => Promise<void>): () => void {
  open.add(close)
  return () => open.delete(close)
}

export async function closeStreams(): Promise<void> {
  await Promise.allSettled([...open].map(close => close()))
}
