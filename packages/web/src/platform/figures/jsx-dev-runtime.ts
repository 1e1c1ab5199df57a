import type { ElementType, Key, ReactElement } from 'react'
import { jsx, jsxs } from './jsx-runtime.ts'

export { Fragment, type JSX } from './jsx-runtime.ts'

/** As the page is made while it is worked on. */
export function jsxDEV(
  type: ElementType,
  props: Record<string, unknown>,
  key: Key | undefined,
  many: boolean,
): ReactElement {
  return many ? jsxs(type, props, key) : jsx(type, props, key)
}
