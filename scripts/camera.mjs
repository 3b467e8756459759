// The simulated table camera as a process of its own: the application asks it for pictures and knows nothing else of it.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { freePort, ROOT } from './machine.mjs'

/** Starts it on a free port of loopback; resolves once it can be asked. */
export async function startCamera(more = {}) {
  const port = await freePort()
  const child = spawn(process.execPath, ['--import', 'tsx', 'devices/src/table/serve.ts'], {
    cwd: ROOT,
    env: { ...process.env, ...more, PEEN_CAMERA_PORT: String(port), PEEN_CAMERA_STANDS: join(ROOT, 'demo/src/stands.json') },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc']
  })
  await new Promise((resolve, reject) => {
    child.once('message', resolve)
    child.once('exit', () => reject(new Error('The simulated table camera does not start; the lines above say why.')))
  })
  return { url: `http://127.0.0.1:${port}`, child }
}
