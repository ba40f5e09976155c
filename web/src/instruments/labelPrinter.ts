import { useMutation } from '@tanstack/react-query';
import { api, ask } from '../api/client';
import type { Schemas } from '../api/types';
import { useReading } from './live';

/** What a label printer takes. */
const [mostLines, mostCharacters] = [24, 160];

/** A label that a printer takes, whatever stands on it. A code that is too long is left out: cut off, it would open nothing. */
const fitted = ({ lines, code }: Schemas['LabelToPrint']): Schemas['LabelToPrint'] => ({
  lines: lines
    .filter(Boolean)
    .slice(0, mostLines)
    .map((line) => line.slice(0, mostCharacters)),
  code: code && code.length <= mostCharacters ? code : null,
});

/** The shop's label printer, where one is attached, and what sends it labels, one after another. */
export function useLabelPrinter() {
  const roll = useReading('labels');
  const printer = roll?.instrument.isAttached ? roll.instrument : null;
  const send = useMutation({
    mutationFn: async (labels: Schemas['LabelToPrint'][]) => {
      for (const label of labels) {
        await ask(api.POST('/api/instruments/{id}/print', { params: { path: { id: printer?.id ?? '' } }, body: fitted(label), parseAs: 'text' }));
      }
    },
  });
  return { printer, left: roll?.value ?? 0, send };
}
