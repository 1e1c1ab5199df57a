/** Something that is said: which sentence, the facts it is made of, and how it reads. */
export interface Spoken<Code extends string = string> {
  code: Code
  /** Names and figures by what they are; the sentence follows from them alone. */
  facts: object
  words: string
}

/** Sentences of a room by their code; they stand in its `words.ts` and nowhere else. */
export type Sentences<Facts> = { readonly [Code in keyof Facts]: (facts: Facts[Code]) => string }

/** Says sentences of a list. */
export function speaker<Facts extends Record<keyof Facts, object>>(sentences: Sentences<Facts>) {
  return <Code extends keyof Facts & string>(code: Code, facts: Facts[Code]): Spoken<Code> => ({
    code,
    facts,
    words: sentences[code](facts),
  })
}

/** A sentence that is the same in every case. */
export function always(words: string): (facts: object) => string {
  return () => words
}
