import type { Problem } from '../shared/index.ts'

/** Files of a folder: names with slashes, texts. */
export type FolderFiles = ReadonlyMap<string, string>

/** A problem as a line of a report: `covers.csv:4:9 The off is missing.` */
export function problemLine({ file, line, column, message }: Problem): string {
  const place = [file, line, column].filter((part) => part !== undefined).join(':')
  return place === '' ? message : `${place} ${message}`
}

/** Files that may stand in a folder and are not part of the document. */
export const besides: ReadonlySet<string> = new Set(['CHANGES.md', 'README.md'])

/** Where photos lie, named by the SHA-256 of their bytes: no texts, and no part of the document but by that. */
export const photoFolder = 'photos/'

/** Where the files of variants stand. */
export const variantFolder = 'variants/'
