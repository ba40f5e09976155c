import type { Schemas } from '../api/types';

export type Material = Schemas['Material'];

/** One number of a label. */
export interface LabelField {
  path: string;
  words: string;
  unit: string;
  step: number;
  value: number;
}

const fields: readonly Omit<LabelField, 'value'>[] = [
  { path: 'ratio.a', words: 'Parts of A', unit: '', step: 1 },
  { path: 'ratio.b', words: 'Parts of B', unit: '', step: 1 },
  { path: 'catalyst.percent', words: 'Catalyst', unit: '%', step: 0.1 },
  { path: 'densityGPerMl', words: 'Density', unit: 'g/mL', step: 0.01 },
  { path: 'densityAGPerMl', words: 'Density of A', unit: 'g/mL', step: 0.01 },
  { path: 'densityBGPerMl', words: 'Density of B', unit: 'g/mL', step: 0.01 },
  { path: 'label.referenceC', words: 'Label is for', unit: '°C', step: 1 },
  { path: 'label.potLifeMin', words: 'Pot life', unit: 'min', step: 1 },
  { path: 'label.potMassG', words: 'of a batch of', unit: 'g', step: 10 },
  { path: 'label.tackOpensMin', words: 'Tack opens', unit: 'min', step: 1 },
  { path: 'label.tackClosesMin', words: 'Tack closes', unit: 'min', step: 1 },
  { path: 'label.recoatOpensMin', words: 'Recoat opens', unit: 'min', step: 5 },
  { path: 'label.recoatClosesMin', words: 'Recoat closes', unit: 'min', step: 30 },
  { path: 'label.sandableMin', words: 'Sandable', unit: 'min', step: 30 },
  { path: 'label.loadableMin', words: 'Loadable', unit: 'min', step: 30 },
  { path: 'label.fullMin', words: 'Full cure', unit: 'min', step: 60 },
  { path: 'label.minimumC', words: 'Not under', unit: '°C', step: 1 },
  { path: 'label.maximumC', words: 'Not over', unit: '°C', step: 1 },
  { path: 'label.maximumHumidityPercent', words: 'Air at most', unit: '%', step: 5 },
  { path: 'coats', words: 'Coats', unit: '', step: 1 },
  { path: 'spreadGPerM2', words: 'One wet coat', unit: 'g/m²', step: 10 },
  { path: 'shelfLife.sealedMonths', words: 'Keeps sealed', unit: 'months', step: 1 },
  { path: 'shelfLife.openedMonths', words: 'Keeps opened', unit: 'months', step: 1 },
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
