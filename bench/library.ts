// Measures the library: a search through a thousand dossiers, and folders read and written.
import { readFolder, writeFolder } from '@tidy-badger/core/dossier-files'
import { fitOf, plugsLike, searchLibrary } from '@tidy-badger/core/library'
import { shippedKits, shippedMachines } from '../packages/core/src/wiring/shippedCase.ts'

const p95 = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)] ?? 0

function timed(work: () => unknown): number {
  const start = performance.now()
  work()
  return performance.now() - start
}

function say(what: string, figure: string, goal = ''): void {
  console.log(`${what.padEnd(64)} ${figure.padStart(20)}  ${goal}`)
}

const shipped = [...shippedMachines, ...shippedKits]
const thousand = Array.from({ length: 1000 }, (_, i) => ({ ...shipped[i % shipped.length] })).flatMap((one) =>
  'kind' in one ? [one] : [],
)
const queries = ['grey/violet throttle', 'crank 2', '5v', 'bk/pk injector', 'kittiwake', 'ye', 'ground', 'rail sensor']
say('1,000 dossiers made ready to search, once', `${timed(() => searchLibrary(thousand, 'x')).toFixed(0)} ms`)
const searches = queries.flatMap((query) =>
  Array.from({ length: 12 }, () => timed(() => searchLibrary(thousand, query))),
)
say(`a search through 1,000 dossiers, p95 of ${searches.length}`, `${p95(searches).toFixed(1)} ms`, '< 50 ms')
const plugs = Array.from({ length: 50 }, () =>
  timed(() =>
    plugsLike(
      thousand.filter((one) => one.kind === 'machine'),
      { cavities: 3 },
    ),
  ),
)
say('a plug in the hand, 500 machines, p95', `${p95(plugs).toFixed(1)} ms`)
const fits = shippedMachines
  .slice(0, 4)
  .flatMap((machine) => shippedKits.map((kit) => timed(() => fitOf(machine, kit))))
say('a kit matched with a machine, p95', `${p95(fits).toFixed(1)} ms`)
const there = shipped.map((document) => timed(() => writeFolder(document)))
const back = shipped.map((document) => {
  const files = writeFolder(document)
  return timed(() => readFolder(files))
})
say('a dossier as a folder: written, read, p95', `${p95(there).toFixed(0)}, ${p95(back).toFixed(0)} ms`)
