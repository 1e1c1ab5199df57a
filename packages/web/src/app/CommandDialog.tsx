import { stationNames, stations } from '@tidy-badger/core/dossiers'
import { useQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import { Dialog } from 'radix-ui'
import { useMatch, useNavigate } from 'react-router'
import { askAnew, fetchJobs } from '../jobs/index.ts'
import { usePreferences } from '../platform/preferences.ts'

export function CommandDialog({ open, show }: { open: boolean; show: (open: boolean) => void }) {
  const navigate = useNavigate()
  const jobId = useMatch('/job/:id/*')?.params.id
  const { setTheme, setStrong, strong, person, bound } = usePreferences()
  const jobs = useQuery({ queryKey: ['jobs'], queryFn: fetchJobs, enabled: open })
  const run = (action: () => void) => () => {
    show(false)
    action()
  }
  const go = (to: string) => run(() => void navigate(to))
  return (
    <Dialog.Root open={open} onOpenChange={show}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/55" />
        <Dialog.Content
          aria-describedby={undefined}
          className="rise fixed inset-x-3 top-[10dvh] z-50 mx-auto max-w-xl overflow-hidden rounded-xl border-2 border-ink bg-ground text-ink"
        >
          <Dialog.Title className="sr-only">Commands</Dialog.Title>
          <Command label="Commands">
            <Command.Input
              placeholder="Where to, or what to do?"
              className="!min-h-14 w-full !rounded-none !border-0 !border-b-2 !border-ink text-lead"
            />
            <Command.List className="max-h-[60dvh] overflow-y-auto p-2 [&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-3 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-small [&_[cmdk-group-heading]]:font-semibold [&_[cmdk-group-heading]]:text-quiet">
              <Command.Empty className="px-3 py-4 text-quiet">Nothing by that name.</Command.Empty>
              {jobId && (
                <Command.Group heading="Stations of this job">
                  {stations.map((station) => (
                    <Item key={station} onSelect={go(`/job/${jobId}/${station}`)}>
                      {stationNames[station]}
                    </Item>
                  ))}
                </Command.Group>
              )}
              <Command.Group heading="The yard">
                <Item onSelect={go('/')}>All jobs</Item>
                <Item onSelect={go('/dossiers')}>Machines and kits</Item>
                <Item keys="N, in the yard" onSelect={go('/new')}>
                  New job
                </Item>
                {jobs.data?.map((job) => (
                  <Item key={job.id} onSelect={go(`/job/${job.id}`)}>
                    {job.title}
                  </Item>
                ))}
              </Command.Group>
              <Command.Group heading="This device">
                <Item onSelect={run(() => setTheme('light'))}>Daylight colours</Item>
                <Item onSelect={run(() => setTheme('dark'))}>Night colours</Item>
                <Item onSelect={run(() => setTheme('auto'))}>Colours as the system has them</Item>
                <Item onSelect={run(() => setStrong(!strong))}>{strong ? 'Usual contrast' : 'Strongest contrast'}</Item>
                {person !== null && !bound && (
                  <Item onSelect={run(() => void askAnew())}>Somebody else is working here (now {person})</Item>
                )}
              </Command.Group>
              <Command.Group heading="Keys on a job">
                {[
                  ['Next tick, done', 'Space'],
                  ['Not like this', 'N'],
                  ['The dossier is wrong', 'O'],
                  ['Journal, notes, undo', 'J'],
                  ['Accept the earned cells', 'A'],
                  ['This list', 'K'],
                ].map(([what, key]) => (
                  <Item key={what} keys={key} onSelect={() => show(false)}>
                    {what}
                  </Item>
                ))}
              </Command.Group>
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function Item({ children, keys, onSelect }: { children: React.ReactNode; keys?: string; onSelect: () => void }) {
  return (
    <Command.Item
      onSelect={onSelect}
      className="flex min-h-11 cursor-pointer items-center justify-between gap-3 rounded-lg px-3 text-lead data-[selected=true]:bg-ink data-[selected=true]:text-ground"
    >
      <span>{children}</span>
      {keys && <kbd className="figures text-small">{keys}</kbd>}
    </Command.Item>
  )
}
