/** Which of the shell's own windows are open. */
export function useShell() {
  return {
    search: useState('shell-search', () => false),
    keys: useState('shell-keys', () => false),
    log: useState('shell-log', () => false),
    more: useState('shell-more', () => false),
  }
}

export interface Screen {
  to: string
  label: string
  icon: string
  key: string
  group: number
}

/** Screens in the order of the year. */
export const SCREENS: readonly Screen[] = [
  { to: '/round', label: 'Round', icon: 'i-lucide-footprints', key: 'r', group: 0 },
  { to: '/season', label: 'Season', icon: 'i-lucide-chart-no-axes-gantt', key: 's', group: 0 },
  { to: '/animals', label: 'Animals', icon: 'i-lucide-turtle', key: 'a', group: 1 },
  { to: '/brumation', label: 'Brumation', icon: 'i-lucide-snowflake', key: 'b', group: 1 },
  { to: '/pairing', label: 'Pairing', icon: 'i-lucide-heart-handshake', key: 'c', group: 1 },
  { to: '/genes', label: 'Genes', icon: 'i-lucide-dna', key: 'x', group: 1 },
  { to: '/eggs', label: 'Eggs', icon: 'i-lucide-egg', key: 'e', group: 1 },
  { to: '/nursery', label: 'Nursery', icon: 'i-lucide-sprout', key: 'n', group: 1 },
  { to: '/feeders', label: 'Feeders', icon: 'i-lucide-bug', key: 'f', group: 1 },
  { to: '/places', label: 'Places', icon: 'i-lucide-warehouse', key: 'p', group: 2 },
  { to: '/devices', label: 'Devices', icon: 'i-lucide-thermometer', key: 'd', group: 2 },
  { to: '/almanac', label: 'Almanac', icon: 'i-lucide-book-open', key: 'm', group: 2 },
  { to: '/settings', label: 'Settings', icon: 'i-lucide-sliders-horizontal', key: 'h', group: 2 },
]

/** Screens that stand in the bar of a phone. */
export const IN_BAR: readonly string[] = ['/round', '/season', '/animals']
