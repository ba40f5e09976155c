import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { api, ask, problemsIn } from '../api/client';
import { heard } from '../api/heard';
import { shelfQuery } from '../api/queries';
import { Notice, Problems } from '../ui/Notice';
import { say } from '../words/say';

/** The shelf on paper and as a table for a spreadsheet: out, and in again. */
export function Tables() {
  const queryClient = useQueryClient();
  const read = useMutation({
    mutationFn: async (file: File) => ask(api.POST('/api/shelf-table', { body: { csv: await file.text() } })),
    onSuccess: (view) => heard(queryClient, shelfQuery.queryKey, view),
  });
  const look = 'inline-flex min-h-11 cursor-pointer items-center rounded-sm border-2 border-strong-line bg-sheet px-4 font-semibold focus-within:outline-3';
  return (
    <section aria-label={say`On paper and as a table`} className="border-t-2 border-line pt-3">
      <div className="flex flex-wrap gap-2">
        <Link className={look} to="/shelf/labels">{say`Labels for all lots`}</Link>
        <a className={look} href="/api/shelf.csv" download="shelf.csv">{say`Take the shelf as a table (CSV)`}</a>
        <label className={look}>
          {say`Read lots in from a table`}
          <input
            type="file"
            accept=".csv,text/csv"
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) read.mutate(file);
            }}
          />
        </label>
      </div>
      <p className="mt-1 text-sm text-faint">{say`Lots with a name that is known are changed, others are added; none is taken away.`}</p>
      {read.isSuccess ? <Notice tone="good" word={say`Read in.`}>{say`The shelf is as the table says.`}</Notice> : null}
      <Problems problems={problemsIn(read.error)} />
    </section>
  );
}
