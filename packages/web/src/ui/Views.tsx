import { Suspense, type ReactNode } from 'react'
import { Loading } from './states.tsx'
import { Tab, TabList, TabPanel, Tabs } from './Tabs.tsx'

/** A station's pictures under one heading, one shown at a time. */
export function Views<Name extends string>({
  heading,
  names,
  shown,
  onShow,
  label = 'Views',
  children,
}: {
  heading: ReactNode
  /** In order, with what stands on each. */
  names: readonly (readonly [Name, string])[]
  shown: Name
  onShow: (name: Name) => void
  /** What the names are of, for who does not see it. */
  label?: string
  children: ReactNode
}) {
  return (
    <Tabs names={names.map(([name]) => name)} shown={shown} onShow={onShow}>
      <div className="mb-2 flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
        {heading}
        <TabList aria-label={label} className="flex flex-wrap gap-1">
          {names.map(([name, words]) => (
            <Tab
              key={name}
              value={name}
              className="min-h-11 border-b-4 border-transparent px-3 font-head font-semibold data-[state=active]:border-lamp"
            >
              {words}
            </Tab>
          ))}
        </TabList>
      </div>
      {children}
    </Tabs>
  )
}

export function Picture({ name, children }: { name: string; children: ReactNode }) {
  return (
    <TabPanel name={name}>
      <Suspense fallback={<Loading what="Opening…" />}>{children}</Suspense>
    </TabPanel>
  )
}

/** Station and how far it is. */
export function StationHeading({ name, done, all }: { name: string; done: number; all: number }) {
  return (
    <h2 className="text-title font-bold">
      {name}{' '}
      <span className="figures text-body font-normal text-quiet">
        {done} of {all}
      </span>
    </h2>
  )
}
