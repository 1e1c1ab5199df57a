import type { Written } from '../shared/index.ts'
import type * as access from './accessModel.ts'
import type * as kits from './kitModel.ts'
import type * as machines from './model.ts'
import type * as routes from './routeModel.ts'

/** What is in a document before it is parsed: the ids are words until the schema has read them. */
export type Machine = Written<machines.Machine>
export type Connector = Written<machines.Connector>
export type Net = Written<machines.Net>
export type Wire = Written<machines.Wire>
export type Cover = Written<access.Cover>
export type AccessWay = Written<access.AccessWay>
export type Spot = Written<routes.Spot>
export type Passage = Written<routes.Passage>
export type Kit = Written<kits.Kit>
export type KitEnd = Written<kits.KitEnd>
