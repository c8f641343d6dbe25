/** Called once as the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { warmService } = await import('./src/server/sharedService.ts')
  warmService()
}
