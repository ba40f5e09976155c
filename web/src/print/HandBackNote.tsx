import { damagesOf } from '../desk/reached';
import { useQuery } from '@tanstack/react-query';
import { QRCodeSVG } from 'qrcode.react';
import { photographsQuery, pictureAt } from '../api/photographs';
import { catalogueQuery, shopQuery } from '../api/queries';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { aftercareLines } from '../prove/aftercare';
import { proofs, type Proof } from '../prove/proofs';
import { dayAndClock } from '../measures/time';
import { useDamageWords } from '../ui/damageWords';
import { handBackOf, Paper, PaperHead, type PlannedMend } from './Paper';
import { say } from '../words/say';

/** What goes back with the item: what was done, how it was proven, when it may be used, what to watch. */
export const HandBackNote = () => <Paper from="prove" of={Note} />;

function Note({ mend }: { mend: PlannedMend }) {
  const { units } = useUnits();
  const zone = useZone();
  const shop = useQuery(shopQuery);
  const catalogue = useQuery(catalogueQuery);
  const damageWords = useDamageWords();
  const { plan, case: repairCase, run } = mend;
  const mended = plan.damages.some((damage) => damage.system);
  const handBack = handBackOf(mend);
  const watch = handBack?.text ? handBack.text.split('\n').filter((line) => line.trim() !== '') : aftercareLines(plan, run, units, zone);
  const tests = catalogue.data ? proofs(plan, run, catalogue.data, units) : [];
  const readyAt = run?.readyAt ?? plan.readyAt;
  return (
    <>
      <PaperHead mend={mend} />
      {mended ? null : (
        <p className="mt-3 text-lg">
          {say`This one was not mended here.`} {plan.verdict.reasons[0]?.text}
        </p>
      )}
      {mended ? (
        <div className="grid gap-4 pt-3 text-lg">
          <section>
            <h2 className="text-xl">{say`What was done`}</h2>
            {plan.damages.map(({ number, system, verdict }) => (
              <p key={number}>
                {damageWords(repairCase.damages[number - 1]!.seen, repairCase.item.construction)}. {system?.methodName}: {system?.materialName}.{' '}
                {verdict.decision === 'mend-for-now' ? <strong>{say`Mended for now, not for good.`}</strong> : null}
              </p>
            ))}
            <p>{handBack ? say`Handed back ${dayAndClock(handBack.at, zone)}.` : say`Ready for use ${dayAndClock(readyAt, zone)}.`}</p>
          </section>
          <section>
            <h2 className="text-xl">{say`How it was proven`}</h2>
            <ul>
              {tests.map((test) => (
                <li key={test.step.id}>
                  {plan.damages.length > 1 ? `[${damagesOf(test.step).join(', ')}] ` : ''}
                  {test.step.title}: <strong>{standing(test)}</strong>
                </li>
              ))}
            </ul>
          </section>
          <Pictures mendId={mend.id} />
          <section>
            <h2 className="text-xl">{say`What to watch`}</h2>
            <ul className="list-disc pl-5">
              {watch.map((line, i) => (
                <li key={`${i}-${line}`}>{line}</li>
              ))}
            </ul>
          </section>
          <footer className="grid grid-cols-2 gap-8 border-t-2 border-ink pt-3">
            <span>{shop.data?.settings.name}</span>
            <span className="border-b border-dotted border-ink">{say`Handed back by`}</span>
          </footer>
          <Label mend={mend} />
        </div>
      ) : null}
    </>
  );
}

/** A label to stick inside the item: whoever scans it stands before the record of this mend. */
function Label({ mend }: { mend: PlannedMend }) {
  return (
    <section
      aria-label={say`Label of the item`}
      className="flex items-center gap-4 break-inside-avoid border-2 border-dashed border-ink bg-white p-3 text-black"
    >
      <QRCodeSVG value={`${location.origin}/mends/${mend.id}/prove`} size={96} level="M" title={say`Code of the record`} />
      <p className="text-lg leading-tight">
        <span className="numeral block text-3xl">{mend.tag}</span>
        {say`Mend ${mend.id}. Scan it for its record.`}
      </p>
      <a className="no-print ml-auto inline-flex min-h-11 items-center underline underline-offset-4" href={`/api/mends/${mend.id}/follow-ups.ics`} download>
        {say`When to look again, as a calendar file`}
      </a>
    </section>
  );
}

/** At most so many go on one page beside the words. */
const most = 4;

/** How it came in and how it goes out: the first and the last photographs. */
function Pictures({ mendId }: { mendId: number }) {
  const all = useQuery(photographsQuery(mendId)).data ?? [];
  const shown = all.length <= most ? all : [...all.slice(0, most / 2), ...all.slice(-most / 2)];
  return shown.length === 0 ? null : (
    <ul aria-label={say`Photographs`} className="grid grid-cols-4 gap-3">
      {shown.map((each) => (
        <li key={each.id}>
          <img src={pictureAt(each.id)} alt={each.stepTitle ?? say`At intake`} className="h-36 w-full border border-line object-cover" />
          <span className="text-sm">{each.stepTitle ?? say`At intake`}</span>
        </li>
      ))}
    </ul>
  );
}

function standing({ stands, measured }: Proof): string {
  const words = { passed: say`passed`, failed: say`failed`, 'not-yet': say`not tested yet` }[stands];
  return measured ? `${words}, ${measured}` : words;
}
