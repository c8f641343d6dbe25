'use client'

import { ZONE_RELEASE, ZONE_YEARS } from '../../core/calendar/zoneData.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'

/** What every figure goes by that is not in a price book. */
export const AboutDialog = ({ onClose }: { readonly onClose: () => void }) => (
  <Dialog title="About Notchgauge" isOpen onClose={onClose}>
    <p>
      Plans stay in this browser and in the files that you export. The demo, its providers and its prices are
      invented.
    </p>
    <p>
      Clocks change by the IANA time zone database, release {ZONE_RELEASE}, laid out for {ZONE_YEARS.first} to{' '}
      {ZONE_YEARS.last}: the same on every screen, in every export and on the command line, whatever this
      computer or browser brings along.
    </p>
    <p>
      Amounts are exact, and rounded once when they are read: half away from zero, each line the step between
      running sums, so that lines add up to what stands under them.
    </p>
    <Button onPress={onClose}>Close</Button>
  </Dialog>
)
