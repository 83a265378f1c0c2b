/** Debian's headless Chromium: its path, or null where none is installed. */
import type { ChildProcess, SpawnSyncOptions } from 'node:child_process'

export function chromium(): string | null

export const root: string
export function run(command: string, args: string[], options?: SpawnSyncOptions): void
export function install(): void
export function build(
  through?: (command: string, args: string[], options: { env: NodeJS.ProcessEnv }) => unknown,
): Promise<void>
export function listensOn(): string
export function freePort(wished: number, host?: string): Promise<number>
export function serve(options: {
  port: number
  database: string
  env?: Record<string, string>
}): Promise<{ child: ChildProcess; address: string }>
export function stayWith(child: ChildProcess): void
