import type { RepairCase, Schemas } from '../api/types';

/** The case that a new mend starts from: a small ding on the deck, at the shop's own bench. Everything in it is a visible default. */
export function firstCase(item: Schemas['ItemView'], shop: Schemas['ShopSettings']): RepairCase {
  return {
    format: 'able-mend/case/1',
    item: {
      tag: item.tag,
      construction: item.construction,
      ageMonths: item.ageMonths,
      warranty: item.warranty,
      earlierMend: item.earlierMend,
    },
    damage: {
      kind: 'ding',
      location: 'deck',
      shape: { kind: 'round', diameterMm: 30 },
      depthMm: 3,
      wet: false,
      cause: 'knock',
      neighbours: null,
      fin: null,
      acrossWholeWidth: false,
    },
    bench: shop.bench,
    wanted: {
      permanence: 'lasting',
      finishGrit: 'P400',
      startAt: null,
      neededBy: null,
      skill: 2,
      tint: false,
      weights: { fast: 2, lasting: 3, tidy: 2, cheap: 1 },
    },
    tools: shop.tools,
    shelf: shop.shelf,
    choice: null,
    overrides: null,
  };
}
