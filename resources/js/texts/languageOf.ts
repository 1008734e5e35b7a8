/** The first language that is wished for and that there is, whatever its country; else English. */
export function languageOf(wished: readonly string[], there: string[]): string {
  const base = (language: string): string => language.toLowerCase().split('-')[0]!
  for (const wish of wished) {
    const found = there.find((l) => l.toLowerCase() === wish.toLowerCase()) ?? there.find((l) => l === base(wish))
    if (found) return found
  }
  return 'en'
}
