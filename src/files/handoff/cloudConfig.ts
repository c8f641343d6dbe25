import { stringify } from 'yaml'
import type { Machine } from '../../core/machine/plan.ts'

/**
 * User data for the first start, as a `#cloud-config` document of cloud-init, in YAML that readers of version 1.1 take
 * for the same: every text is quoted, so that none is a truth, a date or a time. What the machine does not say is left
 * out: the image's own way then stands. The image's own account is closed only where a key opens another one, so that
 * nobody is locked out. Each command runs in a shell of its own, so that a broken one stops no other.
 */
export function cloudConfig(
  { access = {}, setup = {} }: Pick<Machine, 'access' | 'setup'>,
  hostName: string,
): string {
  const { administrator, signIn } = access
  const { publicKey, packages = [], commands = [], timeZone } = setup
  const byPassword = signIn === 'password'
  const config = {
    hostname: hostName,
    ...(timeZone !== undefined && { timezone: timeZone }),
    ...(publicKey !== undefined && signInLines(administrator, publicKey, byPassword)),
    ...(packages.length > 0 && { package_update: true, packages }),
    ...(commands.length > 0 && { runcmd: commands.map((command) => ['sh', '-c', command]) }),
  }
  const text = stringify(config, {
    version: '1.1',
    lineWidth: 0,
    defaultStringType: 'QUOTE_DOUBLE',
    defaultKeyType: 'PLAIN',
  })
  const missing = administrator !== undefined && publicKey === undefined ? [LOCKED_OUT] : []
  return ['#cloud-config', ...missing, text].join('\n')
}

const LOCKED_OUT =
  '# No public key is given yet, so no account is made: the one that the image brings stays as it is.'

function signInLines(administrator: string | undefined, publicKey: string, byPassword: boolean): object {
  const keys = { ssh_authorized_keys: [publicKey] }
  const closed = byPassword ? {} : { ssh_pwauth: false }
  if (administrator === undefined) return { ...keys, ...closed }
  const account = {
    name: administrator,
    groups: ['sudo'],
    shell: '/bin/bash',
    sudo: 'ALL=(ALL) NOPASSWD:ALL',
    lock_passwd: true,
    ...keys,
  }
  // No password is held here: who signs in by one does so with the image's own account.
  return { users: byPassword ? ['default', account] : [account], disable_root: true, ...closed }
}
