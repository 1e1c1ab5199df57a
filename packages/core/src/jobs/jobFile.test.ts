import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { shippedDossiers } from '../dossiers/shipped/index.ts'
import { contentHash } from '../shared/index.ts'
import { asJournal, entryOf } from './journalCase.ts'
import { readJobFile, type JobFile } from './jobFile.ts'

const [machine, kit] = ['pellick-gorse-430', 'quernby-p1'].map((id) => {
  const document = shippedDossiers.find((one) => Object(one).id === id)
  return { hash: contentHash(document), document }
})

function file(): JobFile {
  const whole = {
    format: 'tidy-badger-job',
    version: 1,
    job: {
      id: 'j',
      origin: 'j',
      title: 'Quad',
      createdAt: '2026-06-01T08:00:00.000Z',
      machine: { id: 'pellick-gorse-430', version: 1, hash: machine.hash },
      kit: { id: 'quernby-p1', version: 1, hash: kit.hash },
    },
    provenance: [],
    dossiers: [machine, kit],
    journal: asJournal([entryOf({ kind: 'note', text: 'a' }), entryOf({ kind: 'tugged', kitEnd: ref('coil') })]),
    logs: [],
  }
  return JSON.parse(JSON.stringify(whole))
}
const pathsOf = (change: (file: JobFile) => void) => {
  const changed = file()
  change(changed)
  const read = readJobFile(changed)
  return read.ok ? [] : read.problems.map((problem) => problem.path)
}

describe('a job file', () => {
  test('comes back as it was', () => {
    const whole = file()
    expect(readJobFile(structuredClone(whole))).toEqual({ ok: true, value: whole })
  })

  test.each<[string, (file: JobFile) => void]>([
    ['format', (it) => Object.assign(it, { format: 'other' })],
    ['job.machine.hash', (it) => (it.job.machine.hash = 'f'.repeat(64))],
    ['job.kit.hash', (it) => it.dossiers.pop()],
    ['dossiers.0.hash', (it) => Object.assign(it.dossiers[0].document, { model: 'Forged' })],
    ['dossiers.1.document.trunkM', (it) => Object.assign(it.dossiers[1].document, { trunkM: -1 })],
    ['journal.0.text', (it) => Object.assign(it.journal[0], { text: '' })],
    ['journal.1.kind', (it) => Object.assign(it.journal[1], { kind: 'dance' })],
    ['journal.1.seq', (it) => (it.journal[1].seq = 1)],
  ])('%s is named when it is wrong', (path, change) => {
    expect(pathsOf(change)).toContain(path)
  })

  test('what is no object at all is refused', () => {
    for (const nothing of [null, 5, 'job', []]) expect(readJobFile(nothing)).toMatchObject({ ok: false })
  })
})
