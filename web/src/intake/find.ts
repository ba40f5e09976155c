/** Accents and capitals make no difference. */
const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{Mn}/gu, '')
    .toLowerCase();

/** Those of which every word that was typed begins some word, or stands inside a tag: "22", "ski 22", "long cream". */
export function found<T>(all: readonly T[], typed: string, wordsOf: (each: T) => readonly string[]): T[] {
  const wanted = plain(typed).split(/\s+/).filter(Boolean);
  if (wanted.length === 0) return [...all];
  return all.filter((each) => {
    const words = wordsOf(each).flatMap((text) => plain(text).split(/[^\p{L}\p{N}]+/u));
    return wanted.every((word) => words.some((of) => of.startsWith(word)) || wordsOf(each).some((text) => plain(text).startsWith(word)));
  });
}
