import type { Schemas } from '../api/types';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { MeasureField } from '../ui/MeasureField';
import { say } from '../words/say';

type Settings = Schemas['ShopSettings'];
type Floor = Schemas['ShopFloor'];
type Technician = Schemas['Technician'];

const alone: Floor = {
  people: [{ name: say`Technician`, skill: 3, comesHour: null, goesHour: null, daysOff: null, away: null }],
  clamps: 6,
  places: 6,
  closedDays: null,
  breakFromHour: null,
  breakMin: 30,
  sandsElsewhere: false,
  warmPlaces: 0,
  warmC: 35,
};

const week: readonly (readonly [Schemas['Weekday'], string])[] = [
  ['monday', say`Mon`],
  ['tuesday', say`Tue`],
  ['wednesday', say`Wed`],
  ['thursday', say`Thu`],
  ['friday', say`Fri`],
  ['saturday', say`Sat`],
  ['sunday', say`Sun`],
];

const skills = [
  ['1', say`Forgiving work`],
  ['2', say`Some practice`],
  ['3', say`All of it`],
] as const;

/** Who mends, when they are there, and what there is only so much of: the plan of the days is laid out over them. */
export function Hands({ mine, setMine }: { mine: Settings; setMine: (settings: Settings) => void }) {
  const floor = mine.floor ?? alone;
  const set = (change: Partial<Floor>) => setMine({ ...mine, floor: { ...floor, ...change } });
  const setPerson = (i: number, change: Partial<Technician>) => set({ people: floor.people.map((person, k) => (k === i ? { ...person, ...change } : person)) });
  return (
    <section className="grid content-start gap-3 lg:col-span-2">
      <h2 className="text-xl">{say`Hands, clamps and places`}</h2>
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <MeasureField label={say`Clamped at once`} path="floor.clamps" value={floor.clamps} step={1} onChange={(clamps) => set({ clamps })} />
        <MeasureField label={say`Lying at once`} path="floor.places" value={floor.places} step={1} onChange={(places) => set({ places })} />
        <MeasureField
          label={say`In the warm at once`}
          path="floor.warmPlaces"
          value={floor.warmPlaces}
          step={1}
          onChange={(warmPlaces) => set({ warmPlaces })}
        />
        {floor.warmPlaces > 0 ? (
          <MeasureField label={say`How warm that is`} path="floor.warmC" value={floor.warmC} step={1} onChange={(warmC) => set({ warmC })} />
        ) : null}
        <Choice
          label={say`Where is it sanded?`}
          value={floor.sandsElsewhere ? 'else' : 'here'}
          options={[
            ['here', say`Beside what sets`],
            ['else', say`In a room of its own`],
          ]}
          onPick={(where) => set({ sandsElsewhere: where === 'else' })}
        />
        <Days label={say`Closed on`} value={floor.closedDays} onPick={(closedDays) => set({ closedDays })} />
      </div>
      <ul className="grid gap-3">
        {floor.people.map((person, i) => (
          <li key={i} className="grid items-end gap-3 border-t border-line pt-3 sm:grid-cols-2 lg:grid-cols-[12rem_auto_auto_9rem_9rem_auto]">
            <label>
              <span className="lettering block">{say`Name`}</span>
              <input
                className="h-11 w-full rounded-sm border-2 border-line bg-sheet px-3"
                value={person.name}
                onChange={(event) => setPerson(i, { name: event.target.value })}
              />
            </label>
            <Choice
              label={say`Does`}
              value={String(person.skill) as '1' | '2' | '3'}
              options={skills}
              onPick={(skill) => setPerson(i, { skill: Number(skill) })}
            />
            <Days label={say`Off on`} value={person.daysOff} onPick={(daysOff) => setPerson(i, { daysOff })} />
            <MeasureField
              label={say`Comes at`}
              path="bench.opensHour"
              value={person.comesHour ?? mine.bench.opensHour}
              step={1}
              onChange={(comesHour) => setPerson(i, { comesHour })}
            />
            <MeasureField
              label={say`Goes at`}
              path="bench.closesHour"
              value={person.goesHour ?? mine.bench.closesHour}
              step={1}
              onChange={(goesHour) => setPerson(i, { goesHour })}
            />
            {floor.people.length > 1 ? (
              <Button look="quiet" onClick={() => set({ people: floor.people.filter((_, k) => k !== i) })}>{say`Remove ${person.name}`}</Button>
            ) : null}
          </li>
        ))}
      </ul>
      <p>
        <Button
          onClick={() =>
            set({
              people: [
                ...floor.people,
                { name: say`Technician ${floor.people.length + 1}`, skill: 2, comesHour: null, goesHour: null, daysOff: null, away: null },
              ],
            })
          }
        >
          {say`Another pair of hands`}
        </Button>
      </p>
    </section>
  );
}

function Days({
  label,
  value,
  onPick,
}: {
  label: string;
  value: readonly Schemas['Weekday'][] | null | undefined;
  onPick: (days: Schemas['Weekday'][] | null) => void;
}) {
  const picked = value ?? [];
  return (
    <fieldset>
      <legend className="lettering mb-1">{label}</legend>
      <span className="flex flex-wrap gap-1">
        {week.map(([weekday, words]) => (
          <button
            key={weekday}
            type="button"
            aria-pressed={picked.includes(weekday)}
            className="min-h-11 rounded-sm border-2 border-line bg-sheet px-2 font-medium aria-pressed:border-act aria-pressed:bg-act aria-pressed:text-on-act"
            onClick={() => {
              const next = picked.includes(weekday) ? picked.filter((each) => each !== weekday) : [...picked, weekday];
              onPick(next.length > 0 ? next : null);
            }}
          >
            {words}
          </button>
        ))}
      </span>
    </fieldset>
  );
}
