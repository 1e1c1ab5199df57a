import { compiled } from './compiled.ts'

/** Documents that ship with the app, still to be parsed: machines, then kits, by their ids. Their source is the folders under data/. */
export const shippedDossiers: readonly unknown[] = compiled.map((document): unknown => JSON.parse(document))
