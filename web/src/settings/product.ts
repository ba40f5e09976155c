import type { Schemas } from '../api/types';
import { say } from '../words/say';

export type Material = Schemas['Material'];

/** One number of a label. */
export interface LabelField {
  path: string;
  words: string;
  step: number;
  value: number;
}

const fields: readonly Omit<LabelField, 'value'>[] = [
  { path: 'ratio.a', words: say`Parts of A`, step: 1 },
  { path: 'ratio.b', words: say`Parts of B`, step: 1 },
  { path: 'catalyst.percent', words: say`Catalyst`, step: 0.1 },
  { path: 'densityGPerMl', words: say`Density`, step: 0.01 },
  { path: 'densityAGPerMl', words: say`Density of A`, step: 0.01 },
  { path: 'densityBGPerMl', words: say`Density of B`, step: 0.01 },
  { path: 'label.referenceC', words: say`Label is for`, step: 1 },
  { path: 'label.potLifeMin', words: say`Pot life`, step: 1 },
  { path: 'label.potMassG', words: say`of a batch of`, step: 10 },
  { path: 'label.tackOpensMin', words: say`Tack opens`, step: 1 },
  { path: 'label.tackClosesMin', words: say`Tack closes`, step: 1 },
  { path: 'label.recoatOpensMin', words: say`Recoat opens`, step: 5 },
  { path: 'label.recoatClosesMin', words: say`Recoat closes`, step: 30 },
  { path: 'label.sandableMin', words: say`Sandable`, step: 30 },
  { path: 'label.loadableMin', words: say`Loadable`, step: 30 },
  { path: 'label.fullMin', words: say`Full cure`, step: 60 },
  { path: 'label.minimumC', words: say`Not under`, step: 1 },
  { path: 'label.maximumC', words: say`Not over`, step: 1 },
  { path: 'label.maximumHumidityPercent', words: say`Air at most`, step: 5 },
  { path: 'coats', words: say`Coats`, step: 1 },
  { path: 'spreadGPerM2', words: say`One wet coat`, step: 10 },
  { path: 'shelfLife.sealedMonths', words: say`Keeps sealed`, step: 1 },
  { path: 'shelfLife.openedMonths', words: say`Keeps opened`, step: 1 },
];

type Tree = Record<string, unknown>;

const at = (material: Material, path: string): unknown => path.split('.').reduce<unknown>((node, key) => (node as Tree | null | undefined)?.[key], material);

/** The numbers that a label of this kind gives; what the pattern lacks is not asked for. */
export function labelFields(material: Material): LabelField[] {
  return fields.flatMap((field) => {
    const value = at(material, field.path);
    return typeof value === 'number' ? [{ ...field, value }] : [];
  });
}

/** The material with one number of its label changed. */
export function withField(material: Material, path: string, value: number): Material {
  const [first, second] = path.split('.') as [keyof Material, string | undefined];
  return second === undefined ? { ...material, [first]: value } : { ...material, [first]: { ...(material[first] as Tree), [second]: value } };
}

/** A product of the shop's own, like a generic material, under a name and an identifier that nothing else has. */
export function newProduct(pattern: Material, name: string, taken: readonly string[]): Material {
  const stem =
    name
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-+|-+$/g, '')
      .slice(0, 50) || 'own-product';
  let id = `own-${stem}`;
  for (let i = 2; taken.includes(id); i++) id = `own-${stem}-${i}`;
  return { ...pattern, id, name, source: "The shop's own label." };
}
