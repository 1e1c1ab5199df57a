import gorse from './pellick-gorse-430.json' with { type: 'json' }
import quernbyP1 from './quernby-p1.json' with { type: 'json' }

/** Documents that ship with the app, as JSON still to be parsed. */
export const shippedDossiers: readonly unknown[] = [gorse, quernbyP1]
