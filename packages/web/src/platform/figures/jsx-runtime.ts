import type { ElementType, Key, ReactElement } from 'react'
import * as react from 'react/jsx-runtime'
import { shownProps } from './shown.ts'

// Every element of the page is made here: its texts are shown with the figures as the person of this device reads them.
export { Fragment, type JSX } from 'react/jsx-runtime'

export function jsx(type: ElementType, props: Record<string, unknown>, key?: Key): ReactElement {
  return react.jsx(type, shownProps(type, props), key)
}

export function jsxs(type: ElementType, props: Record<string, unknown>, key?: Key): ReactElement {
  return react.jsxs(type, shownProps(type, props), key)
}
