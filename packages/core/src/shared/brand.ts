import type { z } from 'zod'

/** A string that is an id of one family: neither a plain string nor an id of another family passes for it. */
export type Brand<Name extends string> = string & z.core.$brand<Name>

/** The same value as somebody writes it down: every id in it a plain string. */
export type Written<T> = T extends z.core.$brand
  ? string
  : T extends readonly unknown[]
    ? { [K in keyof T]: Written<T[K]> }
    : T extends object
      ? { [K in keyof T as K extends z.core.$brand ? string : K]: Written<T[K]> }
      : T

/** Takes what was written down for what it is: where data is read or made up, and nowhere else. */
export function asWritten<T>(written: Written<T>): T {
  return written as T
}

/** The one for a lone id. */
export function asId<Id extends string>(text: string): Id {
  return text as Id
}

/** The id of that list which is spelt like this, as a choice on a screen or a path names one. */
export function idIn<Id extends string>(list: readonly { id: Id }[], text: string): Id | undefined {
  return list.find(({ id }) => id === text)?.id
}
