/** What a command template can name. */
export const PLACEHOLDERS = ['machine', 'region', 'action'] as const
export type Placeholder = (typeof PLACEHOLDERS)[number]
