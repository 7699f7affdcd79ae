/** Words as they stand inside a sentence: small at the start, but abbreviations keep their capitals. */
export function inSentence(words: string): string {
  return /^[A-Z][A-Z0-9]/.test(words) ? words : words.slice(0, 1).toLowerCase() + words.slice(1)
}

/** Words as they stand at the start of one. */
export const atStart = (words: string): string => words.slice(0, 1).toUpperCase() + words.slice(1)
