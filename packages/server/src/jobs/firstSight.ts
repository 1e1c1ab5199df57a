import { stationNames } from '@tidy-badger/core/dossiers'
import { byNeed } from '@tidy-badger/core/jobs'
import { escapedXml } from '@tidy-badger/core/shared'
import { jobAt } from '../platform/pageLinks.ts'
import type { JobService } from './service.ts'

/** A page waits no longer for what is known of its job, ms: it comes by itself. */
const longestMs = 250
/** What the page says until its script is there. */
const opening = '<p>Opening…</p>'
/** Jobs of the yard that fit on the first screen of a tablet. */
const mostJobs = 8

type Summary = Awaited<ReturnType<JobService['summary']>>
type ReadableSummary = Exclude<Summary, { unreadable: string }>

/**
 * What is known before the script of a page has run, so that whoever opens the wrong one sees it at once: of a job its name, machine, kit, where
 * it stands and what stops it; of the yard its jobs, what needs a hand first.
 * @param page the built page
 * @returns for a path of the app the page with it; null where there is nothing to say, where it cannot be read, or takes long
 */
export function firstSight(page: string, jobs: JobService): (path: string) => Promise<string | null> {
  if (!page.includes(opening)) throw new Error('page: there is no place for what is known of a job')
  const ofJob = async (id: string) => sightOfJob(await jobs.summary(await jobs.load(id)))
  const ofYard = async () => sightOfYard((await jobs.list({ archived: 'no', deleted: false })).jobs)
  return async (path) => {
    const job = jobAt(path)
    if (job === null && path !== '/') return null
    const late = new Promise<null>((done) => setTimeout(done, longestMs, null).unref())
    const sight = await Promise.race([late, job === null ? ofYard() : ofJob(job)]).catch(() => null)
    return sight === null ? null : page.replace(opening, () => sight)
  }
}

function sightOfJob(job: Summary): string | null {
  return 'unreadable' in job ? null : `<p class="w-full text-head text-ink">${wordsOf(job)}</p>${opening}`
}

function wordsOf(job: ReadableSummary): string {
  const ends = job.station === 'hook-up' ? `, ${job.connected} of ${job.ends} ends connected` : ''
  const stands = job.finished ? 'Handed back' : `${stationNames[job.station]}${ends}`
  const stop =
    job.stop && !job.finished ? ` <span class="font-semibold text-stop">Stop: ${escapedXml(job.stop)}</span>` : ''
  const waits =
    job.missing.length > 0 && !job.finished
      ? ` <span class="font-semibold text-lamp-ink">Waits for: ${escapedXml(job.missing.join(', '))}.</span>`
      : ''
  return `<b>${escapedXml(job.title)}</b> ${escapedXml(`· ${job.machineName} + ${job.kitName} · ${stands}.`)}${stop}${waits}`
}

/** A job in the list of the yard. */
function rowOf(job: Summary): string {
  const words =
    'unreadable' in job
      ? `<b>${escapedXml(job.title)}</b> <span class="font-semibold text-stop">Cannot be read: ${escapedXml(job.unreadable)}</span>`
      : `<a class="block" href="/job/${encodeURIComponent(job.id)}">${wordsOf(job)}</a>`
  return `<li class="border-b-2 border-line-soft py-2.5">${words}</li>`
}

function sightOfYard(all: readonly Summary[]): string | null {
  if (all.length === 0) return null
  const unreadable = all.filter((job) => 'unreadable' in job)
  const readable = all.flatMap((job) => ('unreadable' in job ? [] : [job])).toSorted(byNeed)
  const rows = [...unreadable, ...readable].slice(0, mostJobs).map(rowOf)
  const more = all.length > mostJobs ? `<p>and ${all.length - mostJobs} more</p>` : ''
  return `<p class="w-full font-head text-head font-bold text-ink">In the yard</p>${opening}<ul class="w-full text-ink">${rows.join('')}</ul>${more}`
}
