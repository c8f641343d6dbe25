import { stringify } from 'yaml'
import type { Machine } from '../../core/machine/plan.ts'

const LONGEST_HOST_NAME = 63

/** A machine's name as a host name: RFC 1123, section 2.1. */
export const hostNameOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, LONGEST_HOST_NAME)
    .replace(/^-+|-+$/g, '') || 'machine'

/**
 * User data for the first start, as a `#cloud-config` document of cloud-init in YAML. What the machine does not say is
 * left out: the image's own way then stands. Each command runs in a shell of its own, so that a broken one stops no
 * other.
 */
export function cloudConfig({
  name,
  access = {},
  setup = {},
}: Pick<Machine, 'name' | 'access' | 'setup'>): string {
  const { administrator, hostName = hostNameOf(name) } = access
  const { publicKey, packages = [], commands = [], timeZone } = setup
  const keys = publicKey === undefined ? {} : { ssh_authorized_keys: [publicKey] }
  const config = {
    hostname: hostName,
    ...(timeZone !== undefined && { timezone: timeZone }),
    ...(administrator === undefined
      ? keys
      : {
          users: [
            {
              name: administrator,
              groups: ['sudo'],
              shell: '/bin/bash',
              sudo: 'ALL=(ALL) NOPASSWD:ALL',
              lock_passwd: true,
              ...keys,
            },
          ],
          disable_root: true,
        }),
    ...(access.signIn !== 'password' && { ssh_pwauth: false }),
    ...(packages.length > 0 && { package_update: true, packages }),
    ...(commands.length > 0 && { runcmd: commands.map((command) => ['sh', '-c', command]) }),
  }
  return `#cloud-config\n${stringify(config, { lineWidth: 0 })}`
}
