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
      {ZONE_YEARS.last}. Screens, exports and the command line go by it, and not by this computer’s own.
    </p>
    <p>
      Amounts are exact. They are rounded when they are read, half away from zero. Each line is the step
      between running sums, so lines add up.
    </p>
    <Button onPress={onClose}>Close</Button>
  </Dialog>
)
