import { configure } from '@testing-library/react'

// What is looked for is there once the rooms have been loaded, on a busy machine too: only what hangs runs out of it.
configure({
  asyncUtilTimeout: 200_000,
  defaultHidden: true,
  getElementError: (message) => new Error(message ?? 'not found'),
})
