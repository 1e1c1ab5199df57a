import type { Purpose, Station } from '@tidy-badger/core/dossiers'
import type { EntryBody } from '@tidy-badger/core/jobs'
import type { Written } from '@tidy-badger/core/shared'
import type { DemoProof } from './demoProof.ts'

/** One job of the made-up yard. */
export interface DemoJob {
  id: string
  title: string
  /** The utility quad and its kit unless said otherwise. */
  machine?: string
  kit?: string | string[]
  /** On the machine of an earlier job, with what is in it, for another purpose than fitting. */
  on?: { job: string; purpose: Purpose }
  /** Kits that came off another machine: the job that took them off, and what they are called there. */
  shelf?: string[]
  variant?: string
  opened: string
  by: string
  /** Stations done, in order, up to and without this one. */
  reached: Station
  /** Rides taken, by seed. */
  rides: number[]
  /** The last ride's trims are taken over too. */
  lastAccepted: boolean
  more: Written<EntryBody>[]
  /** Its pulls and loaded runs. */
  proof?: DemoProof
  /** Ends connected as planned so far, at hook-up. */
  ends?: string[]
}
