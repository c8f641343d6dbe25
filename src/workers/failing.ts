/**
 * Has `onFailure` called when the worker stops without an answer, with a sentence for people. The cause in the
 * program's own words goes to the console, for a report.
 */
export function whenFailing(worker: Worker, sentence: string, onFailure: (message: string) => void): void {
  worker.onerror = (event) => {
    if (event.message) console.warn(event.message)
    onFailure(sentence)
  }
  worker.onmessageerror = () => onFailure(sentence)
}
