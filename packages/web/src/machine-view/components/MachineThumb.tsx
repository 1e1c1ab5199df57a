import { useState } from 'react'
import { isDark, usePreferences } from '../../platform/preferences.ts'
import { drawingAddress } from '../drawingAddress.ts'

/** A machine from its left, small, as the yard draws it; an empty place where it cannot be fetched. */
export function MachineThumb({ machine }: { machine: { id: string; version: number; variant?: string } }) {
  const [gone, setGone] = useState(false)
  const night = usePreferences((state) => isDark(state.theme))
  return (
    <span className="flex h-14 w-[100px] shrink-0 items-center justify-center max-sm:w-[72px]">
      {!gone && (
        <img
          src={drawingAddress(machine, { from: 'side', ink: night ? 'night' : 'day', px: 170 })}
          alt=""
          loading="lazy"
          decoding="async"
          className="max-h-14 w-full object-contain"
          onError={() => setGone(true)}
        />
      )}
    </span>
  )
}
