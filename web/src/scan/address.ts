const written = (inAddress: string): string => {
  try {
    return decodeURIComponent(inAddress);
  } catch {
    return inAddress;
  }
};

const nameIn = (address: RegExp) => (typed: string) => {
  const scanned = address.exec(typed);
  return scanned ? written(scanned[1]!) : typed;
};

/** The tag in what was typed or scanned: a scanner gives the address that stands in a label's code. */
export const tagIn = nameIn(/\/tags\/([^/?#\s]+)\s*$/);

/** The name of a lot in what was typed or scanned. */
export const lotIn = nameIn(/\/shelf\?lot=([^/?&#\s]+)\s*$/);

/** The address that the code on an item opens. */
export const addressOf = (tag: string): string => `${location.origin}/tags/${encodeURIComponent(tag)}`;

/** The address that the code on a lot opens. */
export const addressOfLot = (name: string): string => `${location.origin}/shelf?lot=${encodeURIComponent(name)}`;
