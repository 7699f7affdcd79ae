/** Words with a capital letter in front. */
export const capital = (words: string) => words[0]!.toUpperCase() + words.slice(1)
