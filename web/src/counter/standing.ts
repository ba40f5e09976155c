import type { Schemas } from '../api/types';
import { say } from '../words/say';

type Standing = Schemas['TicketStanding'];

/** Where a ticket stands, in words, with a mark and a colour that says the same. */
export const standings: Readonly<Record<Standing, { words: string; mark: string; tone: string }>> = {
  'awaits-yes': { words: say`Waits for a yes`, mark: '?', tone: 'text-early' },
  agreed: { words: say`Agreed, not begun`, mark: '○', tone: 'text-ink' },
  'under-way': { words: say`Under way`, mark: '◐', tone: 'text-ink' },
  'to-collect': { words: say`Ready to collect`, mark: '●', tone: 'text-good' },
  collected: { words: say`Collected`, mark: '✓', tone: 'text-faint' },
};

export const mendStates: Readonly<Record<Schemas['MendStatus'], string>> = {
  draft: say`Not begun`,
  running: say`Under way`,
  'handed-back': say`Done`,
  'sent-on': say`Not mended here`,
};
