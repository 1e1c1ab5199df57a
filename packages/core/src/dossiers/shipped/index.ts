import { corvaneMarlow29 } from './corvaneMarlow29.ts'
import { grangewayT9 } from './grangewayT9.ts'
import { hallamVossLonghaul69 } from './hallamVossLonghaul69.ts'
import { hallamVossPackhorse62 } from './hallamVossPackhorse62.ts'
import { hallamVossShieling21 } from './hallamVossShieling21.ts'
import { lowlampDial } from './lowlampDial.ts'
import { ostrelKittiwake640 } from './ostrelKittiwake640.ts'
import { ostrelPika449 } from './ostrelPika449.ts'
import gorse from './pellick-gorse-430.json' with { type: 'json' }
import { pellickRime790 } from './pellickRime790.ts'
import { pellickSkua960 } from './pellickSkua960.ts'
import quernbyP1 from './quernby-p1.json' with { type: 'json' }
import { quernbyLearner, quernbyP4Eight, quernbyP4Twin } from './quernbyKits.ts'
import { tarnbrookCalder1130 } from './tarnbrookCalder1130.ts'
import { tarnbrookSaddler880 } from './tarnbrookSaddler880.ts'
import { thistleA2, thistleD3, thistleD3Field, thistleD5 } from './thistleKits.ts'
import { wrenCore34, wrenCore48, wrenSelector } from './wrenKits.ts'

/** Documents that ship with the app, still to be parsed. Each is a machine or a kit in the form its JSON Schema says. */
export const shippedDossiers: readonly unknown[] = [
  gorse,
  quernbyP1,
  ostrelPika449(),
  ostrelKittiwake640(),
  tarnbrookSaddler880(),
  tarnbrookCalder1130(),
  pellickSkua960(),
  pellickRime790(),
  corvaneMarlow29(),
  hallamVossShieling21(),
  hallamVossPackhorse62(),
  hallamVossLonghaul69(),
  grangewayT9(),
  quernbyP4Eight(),
  quernbyP4Twin(),
  quernbyLearner(),
  lowlampDial(),
  thistleA2(),
  thistleD3(),
  thistleD3Field(),
  thistleD5(),
  wrenCore34(),
  wrenCore48(),
  wrenSelector(),
]
