/** Words as they stand inside a sentence: small at the start, but RJ45, PoE and T568B keep their capitals. */
export function inSentence(words: string): string {
  return /^[A-Z]([A-Z0-9]|\S*[A-Z])/.test(words) ? words : words.slice(0, 1).toLowerCase() + words.slice(1)
}

/** Words as they stand at the start of one. */
export const atStart = (words: string): string => words.slice(0, 1).toUpperCase() + words.slice(1)
