import { isJoined, joinedId, ownMembers, type KitMember, type Station } from '@tidy-badger/core/dossiers'
import { memberJobs, memberState, namedForMember, stationWork, type JobDossiers } from '@tidy-badger/core/jobs'
import { memberPlan } from '@tidy-badger/core/wiring'
import { useMemo, useState, type ReactNode } from 'react'
import { JobContext, useJob, type JobView } from '../useJob.ts'

/** What is worked at kit by kit: where each module sits, its loom and its supply. Below it the open job is that of the kit in hand. */
export function KitByKit({ station, children }: { station: Station; children: ReactNode }) {
  const view = useJob()
  const { dossiers } = view
  const [picked, setPicked] = useState<string | null>(null)
  const jobs = useMemo(() => memberJobs(dossiers).filter(({ member }) => !member.present), [dossiers])
  const now = jobs.find(({ member }) => member.key === picked) ?? jobs[0]
  const shown = useMemo(() => {
    if (!now || !isJoined(dossiers.kit)) return view
    const own = viewOf(view, now.member, now.dossiers)
    const open = (key: string, of: JobDossiers) => {
      const member = ownMembers(dossiers.kit).find((item) => item.key === key)
      return (
        member !== undefined &&
        stationWork(of, memberState(dossiers, member, view.state), station).some((item) => !item.done)
      )
    }
    const next = jobs.find(({ member, dossiers: of }) => member.key !== now.member.key && open(member.key, of))
    return {
      ...own,
      ...(next ? { nextKit: { name: next.member.kit.model, go: () => setPicked(next.member.key) } } : {}),
    }
  }, [view, now, jobs, dossiers, station])
  if (jobs.length < 2 || !now) return <JobContext value={shown}>{children}</JobContext>
  return (
    <>
      <div
        role="group"
        aria-label="Kit in hand"
        className="no-print flex shrink-0 flex-wrap items-center gap-x-5 border-b-2 border-line-soft px-4 lg:px-5"
      >
        {jobs.map(({ member }) => (
          <button
            key={member.key}
            type="button"
            aria-pressed={member.key === now.member.key}
            // The space bar is the work's again.
            onClick={({ currentTarget }) => {
              currentTarget.blur()
              setPicked(member.key)
            }}
            className="min-h-11 border-b-4 border-transparent px-1 font-head font-semibold aria-pressed:border-lamp"
          >
            {member.kit.maker} {member.kit.model}
          </button>
        ))}
      </div>
      <JobContext value={shown}>{children}</JobContext>
    </>
  )
}

/** The open job as one of its kits has it, in that kit's own names; what is written down goes into the whole. */
function viewOf(view: JobView, member: KitMember, dossiers: JobDossiers): JobView {
  const { key } = member
  const isOwn = (id: string | undefined) => id === undefined || id.startsWith(`${key}:`)
  return {
    ...view,
    dossiers,
    kitInHand: key,
    whole: { dossiers: view.dossiers, state: view.state, plan: view.plan },
    state: memberState(view.dossiers, member, view.state),
    plan: memberPlan(view.dossiers.kit, member, view.plan),
    findings: view.findings
      .filter(({ at }) => isOwn(at.kitEnd))
      .map((finding) => {
        const end = member.kit.ends.find(({ id }) => joinedId(key, id) === finding.at.kitEnd)
        return end ? { ...finding, at: { ...finding.at, kitEnd: end.id } } : finding
      }),
    write: (...bodies) => view.write(...bodies.map((body) => namedForMember(member, body))),
  }
}
