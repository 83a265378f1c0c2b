// Installs and runs everything: lint, types, unit, API, build, browser. The last line counts the tests.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { build, install, root, run } from './steps.mjs'

function installChromium() {
  if (existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) return
  console.log('Installing Debian’s chromium for the browser tests …')
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo']
  const [command, ...rest] = [...asRoot, 'apt-get']
  run(command, [...rest, 'update', '-q'])
  run(command, [...rest, 'install', '-y', '-q', 'chromium'], {
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  })
}

let passed = 0
let failed = 0

/** A step that passes or fails as a whole. */
function step(name, command, args) {
  console.log(`\n— ${name}`)
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit' })
  if (status === 0) passed++
  else failed++
}

/** A suite whose tests are counted one by one. */
function suite(name) {
  console.log(`\n— ${name} tests`)
  const report = join(root, '.tmp', `${name}.json`)
  rmSync(report, { force: true })
  const { status } = spawnSync(
    'npx',
    ['vitest', 'run', '--project', name, '--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
    { cwd: root, stdio: 'inherit' },
  )
  const counts = existsSync(report)
    ? JSON.parse(readFileSync(report, 'utf8'))
    : { numPassedTests: 0, numFailedTests: 1, numTotalTests: 0 }
  passed += counts.numPassedTests
  failed += counts.numFailedTests
  // a suite that could not even be collected has failed, whatever it counted
  if (status !== 0 && counts.numFailedTests === 0) failed++
}

install()
installChromium()
mkdirSync(join(root, '.tmp'), { recursive: true })
step('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.'])
step('lint', 'npx', ['eslint', '.', '--max-warnings', '0'])
step('layers', 'npx', ['depcruise', 'core', 'shared', 'server', '--config', '.dependency-cruiser.mjs'])
step('types', 'npx', ['nuxt', 'typecheck'])
step('types of tests and benchmarks', 'npx', ['tsc', '-p', 'tsconfig.tests.json'])
suite('unit')
build()
suite('api')
suite('browser')
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed ? 1 : 0)
