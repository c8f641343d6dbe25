/** Seconds, and the most of the process’s memory meanwhile in MiB. */
export async function measured(work: () => Promise<void>): Promise<{ seconds: number; most: number }> {
  let most = 0
  const look = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 50)
  const began = performance.now()
  await work()
  clearInterval(look)
  return { seconds: (performance.now() - began) / 1_000, most: most / 1024 / 1024 }
}
