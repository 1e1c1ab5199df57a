import { lazy, Suspense, useState, type ComponentType } from 'react'
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

/**
 * A component whose script comes once the page stands, or when it is first shown, whichever is sooner. Stands within a Suspense; once
 * its script is here it is shown at once.
 */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  let here: ComponentType<Props> | null = null
  const fetched = async () => (here ??= await load())
  fetchAfterwards(fetched)
  const Fetched = lazy(async () => ({ default: await fetched().catch((): ComponentType<Props> => NotHere) }))
  return function Later(props: Props) {
    const [Shown] = useState(() => here ?? Fetched)
    return <Shown {...props} />
  }
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
