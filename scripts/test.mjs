// Installs and runs everything: lint, types, unit, API, build, browser. The last line counts the tests.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { build, chromium, compiling, isInstalled, markInstalled, root } from './steps.mjs'

let passed = 0
let failed = 0
/** What failed, said once more at the end: it may lie thousands of lines above the count. */
const failures = []

/** Runs a command beside others and tells its exit code; what it prints is shown in one piece when it ends. */
function beside(name, command, args, env = process.env) {
  const began = Date.now()
  return new Promise(resolve => {
    const child = spawn(command, args, { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'] })
    const printed = []
    for (const stream of [child.stdout, child.stderr]) stream.on('data', data => printed.push(data))
    child.once('error', error => printed.push(Buffer.from(`${error}\n`)))
    child.once('close', status => {
      console.log(`\n— ${name} (${Math.round((Date.now() - began) / 1000)} s)`)
      process.stdout.write(Buffer.concat(printed))
      resolve(status ?? 1)
    })
  })
}

/** A step that passes or fails as a whole. */
async function step(name, command, args) {
  if ((await beside(name, command, args)) === 0) passed++
  else fail(name)
}

function fail(what, tests = 1) {
  failed += tests
  failures.push(what)
}

/** A suite whose tests are counted one by one. */
async function suite(name) {
  const report = join(root, '.tmp', `${name}.json`)
  rmSync(report, { force: true })
  const status = await beside(`${name} tests`, 'npx', [
    'vitest',
    'run',
    '--project',
    name,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ])
  const counts = existsSync(report)
    ? JSON.parse(readFileSync(report, 'utf8'))
    : { numPassedTests: 0, numFailedTests: 0, testResults: [] }
  passed += counts.numPassedTests
  const broken = counts.testResults.flatMap(file =>
    file.assertionResults.filter(test => test.status === 'failed').map(test => ({ file: file.name, ...test })),
  )
  for (const { file, fullName, failureMessages } of broken)
    fail(`${name}: ${relative(root, file)}: ${fullName}\n${failureMessages.join('\n').slice(0, 1500)}`)
  // a suite that could not even be collected has failed, whatever it counted
  if (status !== 0 && broken.length === 0) fail(`${name} tests: not all of them ran`)
}

/** A step without which nothing that comes after it would tell anything. */
async function must(name, command, args, env) {
  if (await beside(name, command, args, env)) process.exit(1)
}

/** Debian’s chromium for the browser tests. */
async function installChromium() {
  if (chromium()) return
  const [command, ...rest] = [...(process.getuid?.() === 0 ? [] : ['sudo']), 'apt-get']
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  await must('package lists', command, [...rest, 'update', '-q'], env)
  await must('chromium', command, [...rest, 'install', '-y', '-q', 'chromium-headless-shell'], env)
}

/** Packages, but for the database driver, which takes one core some minutes to compile: tells whether that is left to do. */
async function installPackages() {
  if (isInstalled()) return false
  await must('packages', 'npm', ['ci', '--no-audit', '--no-fund', '--ignore-scripts'])
  // these only choose among files
  await must('what packages set up', 'npm', ['rebuild', 'esbuild', 'vue-demi'])
  return true
}

async function compileDriver() {
  await must('database driver', 'npm', ['rebuild', 'better-sqlite3'], compiling)
  markInstalled()
}

/** Two cores, two at a time: whoever is done takes the next, which waits for what it needs of those before it. */
async function inTwoLanes(jobs) {
  const waiting = [...jobs]
  const lane = async () => {
    for (let job = waiting.shift(); job; job = waiting.shift()) await job()
  }
  await Promise.all([lane(), lane()])
}

/** Runs once, however often it is asked for. */
const once = work => {
  let running
  return () => (running ??= work())
}

console.log('Installing what is not installed yet …')
const browser = installChromium()
const mustCompile = await installPackages()
mkdirSync(join(root, '.tmp'), { recursive: true })
await must('types of Nuxt', 'npx', ['nuxt', 'prepare'])
const driver = once(() => (mustCompile ? compileDriver() : Promise.resolve()))
// what is shared is looked at with the tests
const types = once(() =>
  step('types', 'npx', [
    'vue-tsc',
    '--build',
    '--noEmit',
    ...['app', 'server', 'node'].map(of => `.nuxt/tsconfig.${of}.json`),
  ]),
)
const lint = once(() => step('lint', 'npx', ['eslint', '.', '--max-warnings', '0']))
await inTwoLanes([
  driver,
  types,
  () => step('types of tests and benchmarks', 'npx', ['tsc', '-p', 'tsconfig.tests.json']),
  lint,
  () => step('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']),
  () => step('layers', 'npx', ['depcruise', 'core', 'shared', 'server', '--config', '.dependency-cruiser.mjs']),
  async () => {
    // it writes the types anew that these read
    await Promise.all([types(), lint()])
    await build((command, args, { env }) => must('build', command, args, env))
  },
  async () => {
    await driver()
    await suite('unit')
  },
])
await suite('api')
await browser
await suite('browser')
for (const failure of failures) console.log(`\nFAILED ${failure}`)
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed ? 1 : 0)
