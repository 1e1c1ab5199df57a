import { configure } from '@testing-library/react'

// What is looked for is there once the rooms have been loaded, on a busy machine too: nobody's test fails for the time it takes.
configure({
  asyncUtilTimeout: 20_000,
  defaultHidden: true,
  getElementError: (message) => new Error(message ?? 'not found'),
})
