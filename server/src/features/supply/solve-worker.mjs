// Solves one programme with HiGHS, apart from the server's own thread: it may take seconds.
import highs from 'highs'
import { parentPort, workerData } from 'node:worker_threads'

const solver = await highs()
const { lp, seconds } = workerData
const { Status, Columns } = solver.solve(lp, { time_limit: seconds })
parentPort.postMessage({
  status: Status,
  columns: Object.entries(Columns).flatMap(([name, { Primal }]) => (Primal ? [[name, Primal]] : []))
})
