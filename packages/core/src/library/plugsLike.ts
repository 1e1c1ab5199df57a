import type { keys, outlines, ColourName, Connector, Machine } from '../dossiers/index.ts'

/** A plug somebody holds and has no name for; what is not seen is left out. */
export interface PlugInHand {
  /** Cavities that are there, filled or not. */
  cavities: number
  rows?: number
  colour?: ColourName
  outline?: (typeof outlines)[number]
  key?: (typeof keys)[number]
}

/** A plug of a machine it may be. */
export interface PlugLike {
  machine: Machine['id']
  machineName: string
  connector: Connector['id']
  name: string
  place: string
  /** What agrees, and what does not: "6 cavities", "black, here grey". */
  agrees: string[]
  differs: string[]
}

/** Rows of a face: cavities at one height, hundredths of it apart at most. */
export function rowsOfFace({ cavities }: Pick<Connector, 'cavities'>): number {
  return new Set(cavities.map(({ y }) => Math.round(y * 4))).size
}

/**
 * Plugs of all machines that may be the one in hand: their cavities agree; those with the least that differs first. A colour fades and
 * dirt hides a key, so no other feature rules one out.
 * @param limit at most so many
 */
export function plugsLike(machines: readonly Machine[], plug: PlugInHand, limit = 40): PlugLike[] {
  const found = machines.flatMap((machine) =>
    machine.connectors.flatMap((connector): PlugLike[] => {
      if (connector.cavities.length !== plug.cavities) return []
      const agrees = [`${plug.cavities} cavities`]
      const differs: string[] = []
      const compare = (asked: string | undefined, here: string, words: (value: string) => string) => {
        if (asked === undefined) return
        if (asked === here) agrees.push(words(here))
        else differs.push(`${words(asked)}, here ${words(here)}`)
      }
      const { colour, outline, key } = connector.shell
      compare(plug.rows?.toString(), String(rowsOfFace(connector)), (n) => `${n} row${n === '1' ? '' : 's'}`)
      compare(plug.colour, colour, (word) => word)
      compare(plug.outline, outline, (word) => word)
      compare(plug.key, key, (word) => `key ${word}`)
      return [
        {
          ...{ machine: machine.id, machineName: `${machine.maker} ${machine.model}`, connector: connector.id },
          ...{ name: connector.name, place: connector.place, agrees, differs },
        },
      ]
    }),
  )
  return found.sort((a, b) => a.differs.length - b.differs.length).slice(0, limit)
}
