import type { Brand } from '../shared/index.ts'

/** Ids by family. One family does not pass for another, and no plain string for any. */

export type MachineId = Brand<'machine'>
export type KitId = Brand<'kit'>
export type ConnectorId = Brand<'connector'>
export type NetId = Brand<'net'>
export type StudId = Brand<'stud'>
export type ZoneId = Brand<'zone' | 'point'>
export type KitEndId = Brand<'kit-end' | 'kit-place' | 'loom-part'>
/** A branch of a loom, by its end, or the trunk. */
export type LoomPartId = Brand<'loom-part'>
export type WireId = Brand<'wire'>
export type SpliceId = Brand<'splice'>
export type StepId = Brand<'step'>
export type VariantId = Brand<'variant'>
export type CoverId = Brand<'cover'>
export type PlaceId = Brand<'place'>
export type WayId = Brand<'way'>
export type PassageId = Brand<'passage'>
export type SpotId = Brand<'spot' | 'point'>
/** A zone or a spot: they share one namespace. */
export type PointId = Brand<'point'>
export type SocketId = Brand<'socket' | 'kit-place'>
/** An end or a socket of a kit: what a plug goes into. */
export type KitPlaceId = Brand<'kit-place'>
export type PartId = Brand<'part'>
/** A part of the drawing of a machine, by its class's list. */
export type DrawnPartId = Brand<'drawn-part'>
export type SettingId = Brand<'setting'>
export type LampId = Brand<'lamp'>
