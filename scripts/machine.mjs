// What the machine must have: npm packages and Debian's programs. Plain Node: it runs before anything is installed.
import { execFileSync, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { createServer } from 'node:net'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
export const PRIVATE = process.env.PEEN_HOME ?? join(ROOT, '.peen')

/** A refusal with a sentence for the person at the terminal. */
export class Refusal extends Error {}

export function say(line) {
  process.stdout.write(`${line}\n`)
}

/** Runs main and turns a Refusal into one sentence and exit code 1. */
export async function runOrExplain(main) {
  try {
    await main()
  } catch (error) {
    process.stderr.write(error instanceof Refusal ? `\nPeen: ${error.message}\n` : `\nPeen: ${error.stack ?? error}\n`)
    process.exit(1)
  }
}

export function makePrivateFolder() {
  try {
    mkdirSync(PRIVATE, { recursive: true, mode: 0o700 })
  } catch (error) {
    throw new Refusal(`The folder ${PRIVATE} cannot be made (${error.code}). Start Peen from a folder you may write to.`)
  }
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Refusal(`Node.js ${process.versions.node} is too old; Peen needs 20.19 or newer.`)
  }
}

/** Installs npm packages when the lock file has changed since the last time. Needs no network otherwise. */
export function ensurePackages() {
  const stamp = join(ROOT, 'node_modules', '.peen-installed')
  const lock = sha256(readFileSync(join(ROOT, 'package-lock.json')))
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  say('Installing npm packages (about a minute) ...')
  const run = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: ROOT, stdio: 'inherit' })
  if (run.status !== 0) throw new Refusal('npm ci failed: the npm packages are not installed. Is the registry reachable?')
  writeFileSync(stamp, lock)
}

/** The path of a Debian program; installs its package when it is missing. */
export function ensureProgram(paths, debianPackage) {
  const found = () => paths.find((path) => existsSync(path))
  if (found()) return found()
  const asRoot = process.getuid?.() === 0
  const sudo = !asRoot && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0
  if (!asRoot && !sudo) {
    throw new Refusal(
      `${debianPackage} is not installed and this user may not install it. ` +
        `Run "sudo apt-get install --no-install-recommends ${debianPackage}" once, then start again.`
    )
  }
  say(`Installing ${debianPackage} from Debian's packages (about a minute) ...`)
  const apt = (...args) => {
    const command = asRoot ? ['apt-get', ...args] : ['sudo', '-n', 'apt-get', ...args]
    return spawnSync(command[0], command.slice(1), {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
    }).status
  }
  apt('update', '-qq')
  if (apt('install', '-y', '-qq', '--no-install-recommends', debianPackage) !== 0 || !found()) {
    throw new Refusal(`${debianPackage} could not be installed. Install it by hand with apt-get, then start again.`)
  }
  return found()
}

/** Does a program on this machine listen on a port of loopback? */
export function portInUse(port) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(true))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(false)))
  })
}

export async function refuseTakenPort(port, what, setting) {
  if (await portInUse(port)) {
    throw new Refusal(`Port ${port} for ${what} is taken by another program. Stop it, or choose another with ${setting}=<port>.`)
  }
}

/** So many free ports in a row, below those that the system gives to connections going out: a program that comes back finds its own free. */
export async function freePorts(many) {
  for (;;) {
    const first = 20000 + Math.floor(Math.random() * (12000 - many))
    const ports = Array.from({ length: many }, (_, i) => first + i)
    const taken = await Promise.all(ports.map(portInUse))
    if (!taken.includes(true)) return ports
  }
}

export const freePort = async () => (await freePorts(1))[0]

export function isAlive(pid) {
  try {
    process.kill(pid, 0)
    return true
  } catch {
    return false
  }
}

/** Builds the web application when any source of it has changed. */
export function ensureWebBuilt() {
  const stamp = join(ROOT, 'web', 'dist', '.peen-built')
  const sources = ['web', 'core/src', 'contract/src', 'content', 'wording', 'credential', 'package-lock.json'].flatMap(filesUnder)
  const hash = createHash('sha256')
  for (const file of sources) hash.update(relative(ROOT, file)).update(readFileSync(file))
  const now = hash.digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return
  say('Building the web application ...')
  try {
    execFileSync(process.execPath, [viteProgram(), 'build', '--logLevel', 'warn'], {
      cwd: join(ROOT, 'web'),
      stdio: 'inherit'
    })
  } catch {
    throw new Refusal('The web application could not be built; the lines above say why.')
  }
  writeFileSync(stamp, now)
}

/** Vite's program, wherever npm has put the version that the web application names. */
export function viteProgram() {
  const fromWeb = createRequire(join(ROOT, 'web', 'package.json'))
  return join(dirname(fromWeb.resolve('vite/package.json')), 'bin', 'vite.js')
}

function filesUnder(path) {
  const full = join(ROOT, path)
  if (statSync(full).isFile()) return [full]
  return readdirSync(full, { withFileTypes: true })
    .filter((entry) => !['dist', 'node_modules'].includes(entry.name) && !entry.name.endsWith('.test.ts'))
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => filesUnder(join(path, entry.name)))
}

function sha256(bytes) {
  return createHash('sha256').update(bytes).digest('hex')
}
