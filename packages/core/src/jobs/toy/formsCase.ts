import { nameField, type EntryForms } from '../../journal/index.ts'

export const greaseForms = { 'grease-wanted': { of: nameField }, greased: {} } satisfies EntryForms
