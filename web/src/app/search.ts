/** What follows the question mark, word for word: a lot may be called 1E3, and a mend is looked for by 12.0. */
export const parseSearch = (text: string): Record<string, string> => Object.fromEntries(new URLSearchParams(text));

/** Spaces as a label's code has them, so that an address that was copied reads the same. */
export function stringifySearch(search: Record<string, unknown>): string {
  const pairs = Object.entries(search).flatMap(([name, value]) =>
    typeof value === 'string' ? [`${encodeURIComponent(name)}=${encodeURIComponent(value)}`] : [],
  );
  return pairs.length > 0 ? `?${pairs.join('&')}` : '';
}
