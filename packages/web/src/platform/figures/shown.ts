import { shownFigures } from '@tidy-badger/core/shared'
import type { ReactNode } from 'react'
import { usePreferences } from '../preferences.ts'

/** A text with its figures as the person of this device reads them. */
export function shown(text: string): string {
  if (asWritten()) return text
  const figures = shownFigures(text, usePreferences.getState().figures)
  return ownWords.wires ? ownWords.wires(figures) : figures
}

/** How wires in a text are written in the words of this device; null: as they are. Set once its words have come. */
export const ownWords: { wires: ((text: string) => string) | null } = { wires: null }

function asWritten(): boolean {
  const { units, decimals } = usePreferences.getState().figures
  return units === 'metric' && decimals === 'point' && ownWords.wires === null
}

type Props = Record<string, unknown>

/** Attributes of the page that are read out or shown. */
const spoken = ['aria-label', 'title', 'alt', 'placeholder', 'aria-description']
/** What is in these is data. */
const data = new Set<unknown>(['textarea', 'style', 'script', 'code'])

/** Properties of an element with its texts as they are read. What a component of ours is given by name it may still work with. */
export function shownProps(type: unknown, props: Props): Props {
  if (asWritten() || data.has(type)) return props
  const changed: Props = { ...props }
  if (typeof type !== 'function')
    for (const name of spoken) {
      const text = changed[name]
      if (typeof text === 'string') changed[name] = shown(text)
    }
  if ('children' in changed) changed.children = shownChildren(changed.children)
  return changed
}

const isText = (node: unknown): node is string | number => typeof node === 'string' || typeof node === 'number'

/** Pieces of one text side by side are one, so that a figure meets its unit; what is not text stays at its place. */
function shownChildren(children: unknown): unknown {
  if (isText(children)) return shown(String(children))
  if (!Array.isArray(children) || !children.some(isText)) return children
  const made: (ReactNode | unknown)[] = [...children]
  for (let i = 0; i < made.length; i++) {
    if (!isText(made[i])) continue
    let text = String(made[i])
    for (let next = i + 1; next < made.length && isText(made[next]); next++) {
      text += String(made[next])
      made[next] = null
    }
    made[i] = shown(text)
  }
  return made
}
