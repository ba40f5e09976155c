type Said = string | number | false | null | undefined;

declare global {
  /** The words of the server's language file, from English templates to its own, as `/api/words.js` leaves them. */
  var ableMendWords: Readonly<Record<string, string>> | undefined;
}

/** What the file lacks stays English. */
const phrases = new Map(Object.entries(globalThis.ableMendWords ?? {}));

/**
 * Words that stand in the page, with what is filled in: `` say`Step ${2} of ${5}` ``. Its template, "Step {0} of {1}", is the
 * key by which a language file knows it, as it is for the sentences of the core.
 */
export function say(texts: TemplateStringsArray, ...args: readonly Said[]): string {
  const template = texts.reduce((before, text, i) => `${before}{${i - 1}}${text}`);
  return phrase(template).replace(/\{(\d+)\}/g, (_, place: string) => filled(args[Number(place)]));
}

/** A word that the core wrote in English and leaves to the page, such as the text of a unit. */
export function phrase(english: string): string {
  return phrases.get(english) ?? english;
}

const english = 'en-GB';

/** The locale in which dates and times are told; a language file names its own under "en-GB". */
export function locale(): string {
  const named = phrase(english);
  try {
    return Intl.DateTimeFormat.supportedLocalesOf(named)[0] ?? english;
  } catch {
    // What is no locale at all throws; dates are better told in English than not at all.
    return english;
  }
}

const filled = (value: Said) => (typeof value === 'number' ? String(value) : value || '');
