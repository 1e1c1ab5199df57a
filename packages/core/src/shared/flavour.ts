/** A string that belongs to one family of ids: literals fit, ids of another family do not. */
export type Flavour<Name extends string> = string & { readonly __flavour?: Name }
