import { lazy, Suspense, useState, type ComponentType, type ReactNode } from 'react'
import { fetchAfterwards } from './afterwards.ts'
import { Button } from './Button.tsx'
import { Failed } from './states.tsx'

function NotHere() {
  return (
    <Failed what="This part is not on this device yet">
      <p>The link went down before it was fetched. What was written down is safe.</p>
      <Button className="mt-4" onClick={() => location.reload()}>
        Load it again
      </Button>
    </Failed>
  )
}

/** A component whose script may not be here yet. */
export type ComponentToFetch<Props> = ((props: Props) => ReactNode) & {
  /** Fetches its script, if it is not here. @returns when it is; rejects where it cannot be had */
  fetched: () => Promise<unknown>
}

/** A component whose script comes when it is first shown, or is asked for before. Stands within a Suspense; once its script is here it is shown at once. */
export function whenShown<Props extends object>(load: () => Promise<ComponentType<Props>>): ComponentToFetch<Props> {
  let here: ComponentType<Props> | null = null
  const fetched = async () => (here ??= await load())
  const Fetched = lazy(async () => ({ default: await fetched().catch((): ComponentType<Props> => NotHere) }))
  function Later(props: Props) {
    const [Shown] = useState(() => here ?? Fetched)
    return <Shown {...props} />
  }
  return Object.assign(Later, { fetched })
}

/** A component whose script comes once the page stands, or when it is first shown, whichever is sooner. Stands within a Suspense. */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>): ComponentToFetch<Props> {
  const Later = whenShown(load)
  fetchAfterwards(Later.fetched)
  return Later
}

/**
 * A dialog whose script comes once the page stands, or when it is first opened, whichever is sooner. Until it is opened nothing of it is
 * there; once it has been it stays, so that it closes by its own manners.
 * @param isOpen what of its properties says that it is wanted
 */
export function comesLater<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  isOpen: (props: Props) => boolean,
): ComponentType<Props> {
  const Dialog = later(load)
  return function Later(props: Props) {
    const open = isOpen(props)
    const [opened, setOpened] = useState(open)
    if (open && !opened) setOpened(true)
    return opened ? (
      <Suspense fallback={null}>
        <Dialog {...props} />
      </Suspense>
    ) : null
  }
}
