/** Who wrote an entry down, when, and where: on every entry. */
export interface EntryHead {
  /** Made by whoever writes; the same id is the same entry. */
  id: string
  /** When it was done, ISO 8601 with offset. Never the order: that is `seq`. */
  at?: string
  by?: string
  device?: string
}

/** An entry of any capability. */
export interface AnyEntry extends EntryHead {
  kind: string
}

/** What the store adds. */
export interface Stamps {
  seq: number
  receivedAt: string
  /** Version of the form it was written in. */
  v: number
}

/** Takes an entry back; itself taken back, it brings the entry back. */
export type Undo = { kind: 'undo'; undoes: string }

/** Which entry a part of the state comes from. */
export interface Done {
  entry: string
  by?: string
  at?: string
}

/** An answer in force, with the entry that gave it. */
export type Decided<Value> = Done & { value: Value }

/** An entry that was true when written but does not fit what is there, and why. */
export interface Held {
  entry: string
  why: string
}

/** What every state has, whatever its capabilities put into it. */
export interface AnyState {
  held: Held[]
}

/** Why an entry is not taken. */
export interface Refusal {
  code: string
  message: string
}

/** Where the entry a part of the state comes from was written. */
export function doneBy({ id, by, at }: EntryHead): Done {
  return { entry: id, by, at }
}
