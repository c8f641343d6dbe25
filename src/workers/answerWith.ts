/**
 * Answers the questions that are put to this worker. Whatever is thrown, at once or while something is awaited, reaches
 * the asker as the worker's error: a rejected promise alone would leave it waiting for ever.
 */
export function answerWith<Ask>(answer: (ask: Ask) => void | Promise<void>): void {
  self.onmessage = async ({ data }: MessageEvent<Ask>) => {
    try {
      await answer(data)
    } catch (error) {
      self.reportError(error)
    }
  }
}
