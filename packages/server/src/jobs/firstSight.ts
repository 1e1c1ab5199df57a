import { stationNames } from '@tidy-badger/core/dossiers'
import { escapedXml } from '@tidy-badger/core/shared'
import type { JobService } from './service.ts'

/** A page waits no longer for what is known of its job, ms: it comes by itself. */
const longestMs = 250
/** What the page says until its script is there. */
const opening = '<p>Opening…</p>'

/**
 * What is known of a job before the script of its page has run: name, machine, kit, where it stands and what stops it, so that whoever opens the
 * wrong one sees it at once.
 * @param page the built page
 * @returns for the id of a job the page with it; null where the job is not there, cannot be read, or takes long
 */
export function firstSight(page: string, jobs: JobService): (id: string) => Promise<string | null> {
  if (!page.includes(opening)) throw new Error('page: there is no place for what is known of a job')
  return async (id) => {
    const late = new Promise<null>((done) => setTimeout(done, longestMs, null).unref())
    const known = await Promise.race([late, jobs.load(id).then((job) => jobs.summary(job))]).catch(() => null)
    return known && !('unreadable' in known) ? page.replace(opening, () => sightOf(known)) : null
  }
}

type ReadableSummary = Exclude<Awaited<ReturnType<JobService['summary']>>, { unreadable: string }>

function sightOf(job: ReadableSummary): string {
  const ends = job.station === 'hook-up' ? `, ${job.connected} of ${job.ends} ends connected` : ''
  const stands = job.finished ? 'Handed back' : `${stationNames[job.station]}${ends}`
  const stop =
    job.stop && !job.finished ? ` <span class="font-semibold text-stop">Stop: ${escapedXml(job.stop)}</span>` : ''
  return `<p class="self-stretch text-head text-ink"><b>${escapedXml(job.title)}</b> ${escapedXml(`· ${job.machineName} + ${job.kitName} · ${stands}.`)}${stop}</p>${opening}`
}
