import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { problemsIn } from '../api/client';
import { photographsKey, photographsQuery, pictureAt, removePicture, smallPictureAt } from '../api/photographs';
import type { Schemas } from '../api/types';
import { when } from '../measures/time';
import { forgetPicture, takePicture, useTakenPictures } from '../outbox/pictures';
import { shopNow, useNow } from '../shop/clock';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Problems } from '../ui/Notice';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

type Photograph = Schemas['PhotographView'];

interface Props {
  mendId: number;
  /** Step that pictures are taken at here; null at intake, and of the item as a whole. */
  stepId: string | null;
  /** Which of the mend's photographs are shown here. */
  shows: 'all' | 'of-step' | 'at-intake';
  /** Whether one may be removed: what is closed keeps its record. */
  closed?: boolean;
  /** Whether the key takes a picture. */
  hasKey?: boolean;
}

const isShown = (photograph: Photograph, { shows, stepId }: Props) =>
  shows === 'all' || (shows === 'at-intake' ? photograph.stepId === null : photograph.stepId === stepId);

/** Photographs beside what they show, and the button that takes one more. */
export function Photographs(props: Props) {
  const { mendId, stepId, closed = false, hasKey = false } = props;
  const photographs = useQuery(photographsQuery(mendId));
  const [open, setOpen] = useState<number | null>(null);
  const taken = useTakenPictures(mendId);
  const shown = (photographs.data ?? []).filter((each) => isShown(each, props));
  const opened = shown.find((each) => each.id === open);
  const waiting = taken.filter((each) => each.refused === null).length;
  return (
    <section aria-label={say`Photographs`} className="flex flex-col gap-2">
      <ul className="flex flex-wrap items-end gap-2">
        {shown.map((each) => (
          <li key={each.id}>
            <button
              type="button"
              aria-expanded={open === each.id}
              onClick={() => setOpen(open === each.id ? null : each.id)}
              className="block border-2 border-line bg-sheet aria-expanded:border-act"
            >
              <img src={smallPictureAt(each.id)} alt={each.stepTitle ?? say`At intake`} className="h-20 w-auto max-w-44 object-cover" />
            </button>
          </li>
        ))}
        <li>
          <Take mendId={mendId} stepId={stepId} hasKey={hasKey} />
        </li>
      </ul>
      {waiting > 0 ? (
        <p role="status">{waiting === 1 ? say`1 photograph is kept here and being sent.` : say`${waiting} photographs are kept here and being sent.`}</p>
      ) : null}
      {taken.map(({ key, refused }) =>
        refused ? (
          <div key={key} className="flex flex-col items-start gap-2">
            <Problems problems={refused} />
            <Button onClick={() => void forgetPicture(key)}>{say`Seen; throw it away`}</Button>
          </div>
        ) : null,
      )}
      {opened ? <Opened key={opened.id} photograph={opened} closed={closed} onClose={() => setOpen(null)} /> : null}
    </section>
  );
}

function Take({ mendId, stepId, hasKey }: { mendId: number; stepId: string | null; hasKey: boolean }) {
  const field = useRef<HTMLInputElement>(null);
  useKeys(hasKey ? ['p'] : [], () => field.current?.click());
  return (
    <>
      <Button className="min-h-14" onClick={() => field.current?.click()}>
        {say`Photograph`} {hasKey ? <kbd className="text-sm">P</kbd> : null}
      </Button>
      <input
        ref={field}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        multiple
        className="sr-only"
        aria-label={say`Photograph`}
        tabIndex={-1}
        onChange={(event) => {
          const at = new Date(shopNow()).toISOString();
          for (const file of event.target.files ?? []) void takePicture(mendId, stepId, file, at);
          event.target.value = '';
        }}
      />
    </>
  );
}

function Opened({ photograph, closed, onClose }: { photograph: Photograph; closed: boolean; onClose: () => void }) {
  const now = useNow();
  const zone = useZone();
  const queryClient = useQueryClient();
  const remove = useMutation({
    mutationFn: () => removePicture(photograph.id),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: photographsKey(photograph.mendId) }),
  });
  return (
    <figure className="border-2 border-ink bg-sheet p-2">
      <img
        src={pictureAt(photograph.id)}
        width={photograph.width}
        height={photograph.height}
        alt={photograph.stepTitle ?? say`At intake`}
        className="h-auto max-h-[70vh] w-full object-contain"
      />
      <figcaption className="flex flex-wrap items-center justify-between gap-2 pt-2">
        <span>
          {photograph.stepTitle ?? say`At intake`}, {when(photograph.at, now, zone)}
        </span>
        <span className="flex gap-2">
          {closed ? null : <Button look="stop" disabled={remove.isPending} onClick={() => remove.mutate()}>{say`Remove this photograph`}</Button>}
          <Button onClick={onClose}>{say`Close`}</Button>
        </span>
      </figcaption>
      <Problems problems={problemsIn(remove.error)} />
    </figure>
  );
}
