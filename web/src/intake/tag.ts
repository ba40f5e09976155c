/** The tag in what was typed or scanned: a scanner types the address that stands in a label's code. */
export function tagIn(typed: string): string {
  const scanned = /\/tags\/([^/?#\s]+)\s*$/.exec(typed);
  if (!scanned) return typed;
  try {
    return decodeURIComponent(scanned[1]!);
  } catch {
    return scanned[1]!;
  }
}

/** The address that a label's code opens. */
export const addressOf = (tag: string): string => `${location.origin}/tags/${encodeURIComponent(tag)}`;
