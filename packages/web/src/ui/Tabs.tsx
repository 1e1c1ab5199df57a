import { Tabs as Radix } from 'radix-ui'
import { createContext, useContext, useId, type ComponentProps, type ReactNode } from 'react'

const Shown = createContext({ id: '', shown: '' })

/**
 * Tabs, and under them what belongs to the one shown. The panels are our own: Radix asks each for its style as it comes, for animations
 * that are not ours, and the page is laid out in the midst of being put there, then drawn a second time.
 */
export function Tabs<Name extends string>({
  names,
  shown,
  onShow,
  children,
}: {
  names: readonly Name[]
  shown: Name
  onShow: (name: Name) => void
  children: ReactNode
}) {
  const id = useId()
  return (
    <Shown value={{ id, shown }}>
      <Radix.Root
        value={shown}
        onValueChange={(value) => {
          const found = names.find((name) => name === value)
          if (found !== undefined) onShow(found)
        }}
      >
        {children}
      </Radix.Root>
    </Shown>
  )
}

export const TabList = Radix.List

export function Tab(props: ComponentProps<typeof Radix.Trigger>) {
  const { id } = useContext(Shown)
  return <Radix.Trigger {...props} id={`${id}tab-${props.value}`} aria-controls={`${id}panel-${props.value}`} />
}

/** @param reached whether the tab key comes by it: where nothing in it can be reached */
export function TabPanel({ name, reached, children }: { name: string; reached?: boolean; children: ReactNode }) {
  const { id, shown } = useContext(Shown)
  return (
    <div
      role="tabpanel"
      id={`${id}panel-${name}`}
      aria-labelledby={`${id}tab-${name}`}
      hidden={name !== shown}
      tabIndex={reached ? 0 : -1}
    >
      {name === shown && children}
    </div>
  )
}
