import type { Schemas } from '../api/types';
import { say } from '../words/say';

/** What stands on the label of a lot, below its name. */
export const lotLines = ({ title, lot }: Schemas['LotView']): string[] =>
  [title, lot.batch && say`batch ${lot.batch}`, lot.useBefore && say`use before ${lot.useBefore}`, lot.standsAt].filter((line): line is string =>
    Boolean(line),
  );
