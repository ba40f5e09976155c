import { say } from '../words/say';

/** What is said at the counter, as it is typed. */
export interface TicketWords {
  name: string;
  reach: string;
  due: string;
  note: string;
}

export const field = 'h-12 w-full rounded-sm border-2 border-strong-line bg-sheet px-3 text-lg';

/** Who brings it, how to reach them, by when, and what they say. */
export function TicketFields({ words, onType }: { words: TicketWords; onType: (words: TicketWords) => void }) {
  const typed = (key: keyof TicketWords) => ({
    className: field,
    value: words[key],
    autoComplete: 'off',
    onChange: (event: { target: { value: string } }) => onType({ ...words, [key]: event.target.value }),
  });
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <label>
        <span className="lettering block">{say`Who brings it`}</span>
        <input {...typed('name')} />
      </label>
      <label>
        <span className="lettering block">{say`How to reach them`}</span>
        <input {...typed('reach')} />
      </label>
      <label>
        <span className="lettering block">{say`Needed by`}</span>
        <input type="datetime-local" {...typed('due')} />
      </label>
      <label>
        <span className="lettering block">{say`What they say`}</span>
        <input {...typed('note')} />
      </label>
    </div>
  );
}
