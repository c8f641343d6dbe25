/**
 * The words that the components say to screen readers come in 34 languages, and all else here is in one: of a file that
 * gathers them, only English is packed. The page says which language it is in, so that no other is asked for.
 */
module.exports = (source) =>
  source
    .split('\n')
    .filter((line) => !/^(import .*|\s*)"[^"]*\b(?!en-US)[a-z]{2}-[A-Z]{2}(\.mjs)?"[;:]/.test(line))
    .join('\n')
