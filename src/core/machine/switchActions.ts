/** What a scheduler asks for. */
export const SWITCH_ACTIONS = ['start', 'stop', 'deallocate', 'hibernate', 'create', 'delete'] as const
export type SwitchAction = (typeof SWITCH_ACTIONS)[number]

/** The command for each action; all names in it are filled in for each machine. */
export type Commands = Readonly<Partial<Record<SwitchAction, string>>>

export const USUAL_COMMAND = 'power {action} {machine} {region}'
