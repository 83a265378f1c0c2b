/** Says that a part of the program could not be had, since the house does not answer. */
export function useNotLoaded(): () => void {
  const toast = useToast()
  return () => {
    toast.add({
      id: 'chunk',
      title: 'This part could not be loaded',
      description: 'The house does not answer. What is open stays as it is; try again when Mantel runs.',
      color: 'warning',
      icon: 'i-lucide-unplug',
    })
  }
}
