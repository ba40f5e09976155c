import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { placeOf } from './places';

interface Schema {
  type?: string | string[];
  $ref?: string;
  properties?: Record<string, Schema>;
  items?: Schema;
  oneOf?: Schema[];
  anyOf?: Schema[];
  additionalProperties?: Schema | boolean;
}

interface Api {
  components: { schemas: Record<string, Schema> };
  paths: Record<string, Record<string, { requestBody?: { content: Record<string, { schema: Schema }> } }>>;
}

const api = JSON.parse(readFileSync('../docs/schemas/able-mend-api.json', 'utf8')) as Api;

/** Everything that a request may carry, by its path, down to the places that hold no others. */
function places(): string[] {
  const walk = (schema: Schema, path: string, within: readonly string[]): string[] => {
    if (schema.$ref) {
      const name = schema.$ref.split('/').at(-1)!;
      return within.includes(name) ? [] : walk(api.components.schemas[name]!, path, [...within, name]);
    }
    // Where nothing may stand, what may stand there otherwise is what is asked for.
    if (schema.type === 'null') return [];
    const deeper = [
      ...(schema.oneOf ?? []).flatMap((each) => walk(each, path, within)),
      ...(schema.anyOf ?? []).flatMap((each) => walk(each, path, within)),
      ...(schema.items ? walk(schema.items, `${path}[0]`, within) : []),
      ...Object.entries(schema.properties ?? {}).flatMap(([name, each]) => walk(each, path ? `${path}.${name}` : name, within)),
    ];
    return deeper.length > 0 ? deeper : [path];
  };
  const bodies = Object.values(api.paths).flatMap((operations) => Object.values(operations).flatMap((each) => Object.values(each.requestBody?.content ?? {})));
  return [...new Set(bodies.flatMap(({ schema }) => walk(schema, '', [])))].filter((path) => path !== '');
}

/** Sources of the page, without the table itself. */
const sources = Object.entries(import.meta.glob<string>('../**/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true }))
  .filter(([path]) => !path.endsWith('/places.ts') && !path.includes('.test.'))
  .map(([, text]) => text)
  .join('\n');

/** What no field of the page holds: the page fills it in by itself, or shows it as a thing to press. */
const unseen = new Set(
  [
    'format seen.kind kind x y rocks figure value id startAt finishGrit filler patch device at resolution stepId text passed with code words lines csv was',
    'itemId ticketId collected warranty role chemistry source cost hazards bondsTo cure by tolerancePercent minPercent maxPercent dropMassG handleableMin',
    'activationKjPerMol enthalpyJPerG heatCapacityJPerGK gelConversion safePeakC layerMm penetrationMm arealWeightGPerM2 plyMm fillerMassShare flashMin',
    'flexibility serviceMaxC lapShearMpa aMl bMl labelFilmMm solvent massShare storage suits airInhibited rate spread looks unit',
    'breakFromHour breakMin away dropG bandPercent',
  ].flatMap((names) => names.split(' ')),
);

describe('where something is wrong', () => {
  it('is told for every place that a request may carry and the page shows', () => {
    const all = places();
    expect(all.length).toBeGreaterThan(200);
    const untold = all
      .filter((path) => placeOf(path.replaceAll(/\[\d+\]/g, '')) === null)
      .map((path) =>
        path
          .replaceAll(/\[\d+\]/g, '')
          .split('.')
          .at(-1)!,
      );
    expect([...new Set(untold)].filter((name) => !unseen.has(name))).toEqual([]);
  });

  it('is called as the page calls it', () => {
    const words = places().flatMap((path) => placeOf(path.replaceAll(/\[\d+\]/g, '')) ?? []);
    expect([...new Set(words)].filter((each) => !sources.includes(`say\`${each}`))).toEqual([]);
  });

  it.each([
    ['damages[1].seen.depthMm', 'Damage 2, How deep?'],
    ['damages[0].seen.shape.points', 'Damage 1, Traced'],
    ['damages[0].overrides[2].reason', 'Damage 1, Reason'],
    ['floor.people[1].goesHour', 'Person 2, Goes at'],
    ['floor.people[1]', 'Person 2'],
    ['devices[0].device.holdsMl', 'Device 1, Holds'],
    ['products[0].name', 'Product 1, Product name'],
    ['lot.standsAt', 'Stands at'],
    ['tools.dropper.stepG', 'Step of the scale'],
    ['tools.measure.stepG', 'Smallest step'],
    ['tools.grits[3]', 'Grits in the drawer'],
    ['csv[3].stands-at', 'Line 3, stands-at'],
    ['csv[7]', 'Line 7'],
  ])('%s is %s', (path, words) => expect(placeOf(path)).toBe(words));

  it.each(['', 'stepId', 'id', 'version', 'damages'])('%j is nowhere on the page', (path) => expect(placeOf(path)).toBeNull());
});
