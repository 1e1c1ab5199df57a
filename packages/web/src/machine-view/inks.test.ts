import { inks, type InkKind } from '@tidy-badger/core/drawing'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'

const styles = readFileSync(join(import.meta.dirname, '../app/app.css'), 'utf8')

/** The colours of a drawing as the page has them under a selector. */
function drawnIn(selector: string): Record<string, string> {
  const [, block = ''] = styles.split(`\n${selector} {`)
  const [rules = ''] = block.split('\n}')
  return Object.fromEntries(
    [...rules.matchAll(/--part-(\w+): (#[0-9a-f]{6})/g)].map(([, tone, colour]) => [tone, colour]),
  )
}

test.each<[string, InkKind]>([
  [':root', 'day'],
  ['.dark', 'night'],
])('a machine that the yard draws has the colours of the page: %s', (selector, kind) => {
  const { tones, edge } = inks[kind]
  const { open, ...filled } = tones
  expect(open).toBe('none')
  expect(drawnIn(selector)).toEqual({ ...filled, edge })
})
