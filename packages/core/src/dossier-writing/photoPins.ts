import {
  tappedCavities,
  thingKey,
  wiresOfConnector,
  type ConnectorId,
  type DossierPhoto,
  type FaceSide,
  type KnownList,
  type Machine,
  type PhotoPin,
  type Tap,
} from '../dossiers/index.ts'
import { failure, success, type Outcome } from '../shared/index.ts'

/** Things of a machine that are pinned on a photo. */
export const pinnedLists = [
  'connectors',
  'covers',
  'places',
  'passages',
  'studs',
  'zones',
] as const satisfies readonly KnownList[]

/** The machine with another photo of it; one that it has stays as it is. */
export function withPhoto(machine: Machine, photo: Omit<DossierPhoto, 'pins'>): Machine {
  const { photos = [] } = machine
  return photos.some((one) => one.photo === photo.photo)
    ? machine
    : { ...machine, photos: [...photos, { ...photo, pins: [] }] }
}

export function withoutPhoto(machine: Machine, hash: string): Machine {
  return withPhotos(
    machine,
    (machine.photos ?? []).filter(({ photo }) => photo !== hash),
  )
}

/** What a photo shows, in words. */
export function withPhotoWords(machine: Machine, hash: string, says: string): Machine {
  return says.trim() === '' ? machine : inPhoto(machine, hash, (photo) => ({ ...photo, says: says.trim() }))
}

/** A thing pinned on a photo; one that was pinned there moves. */
export function withPin(machine: Machine, hash: string, pin: PhotoPin): Machine {
  const at = (part: number) => Math.round(Math.min(1, Math.max(0, part)) * 1000) / 1000
  return inPhoto(machine, hash, (photo) => ({
    ...photo,
    pins: [...photo.pins.filter((one) => !same(one, pin)), { ...pin, x: at(pin.x), y: at(pin.y) }],
  }))
}

export function withoutPin(machine: Machine, hash: string, pin: Pick<PhotoPin, 'of' | 'id'>): Machine {
  return inPhoto(machine, hash, (photo) => ({ ...photo, pins: photo.pins.filter((one) => !same(one, pin)) }))
}

/**
 * The machine with the face of a plug as it was tapped on a photo; what was said of its cavities stays.
 * @returns a problem where a wire sits in a cavity that was not tapped
 */
export function withTapped(
  machine: Machine,
  plug: ConnectorId,
  taps: readonly Tap[],
  side: FaceSide,
): Outcome<Machine> {
  const made = tappedCavities(taps, side)
  const left = wiresOfConnector(machine, plug).find(({ cavity }) => !made.some(({ number }) => number === cavity))
  if (left || made.length === 0)
    return failure({
      code: 'unknown-cavity',
      path: 'taps',
      message: left
        ? `Cavity ${left.cavity} holds a wire and was not tapped. Tap it too, or take the wire out first.`
        : 'No cavity was tapped.',
    })
  return success({
    ...machine,
    connectors: machine.connectors.map((connector) =>
      connector.id === plug
        ? {
            ...connector,
            cavities: made.map((cavity) => {
              const before = connector.cavities.find(({ number }) => number === cavity.number)
              return { ...before, ...cavity }
            }),
          }
        : connector,
    ),
  })
}

const same = (a: Pick<PhotoPin, 'of' | 'id'>, b: Pick<PhotoPin, 'of' | 'id'>) => thingKey(a) === thingKey(b)

function inPhoto(machine: Machine, hash: string, change: (photo: DossierPhoto) => DossierPhoto): Machine {
  return withPhotos(
    machine,
    (machine.photos ?? []).map((photo) => (photo.photo === hash ? change(photo) : photo)),
  )
}

function withPhotos(machine: Machine, photos: DossierPhoto[]): Machine {
  const { photos: _before, ...rest } = machine
  return photos.length > 0 ? { ...rest, photos } : rest
}
