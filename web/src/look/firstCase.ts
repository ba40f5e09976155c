import type { Construction, RepairCase, Schemas } from '../api/types';
import { usualDamage } from './edit';

/** The case that a new mend starts from: the usual damage of the construction, at the shop's own bench. Everything in it is a visible default. */
export function firstCase(item: Schemas['ItemView'], construction: Construction, shop: Schemas['ShopSettings']): RepairCase {
  const usual = construction.damages[0]!;
  return {
    format: 'able-mend/case/1',
    item: {
      tag: item.tag,
      construction: item.construction,
      ageMonths: item.ageMonths,
      warranty: item.warranty,
      earlierMend: item.earlierMend,
    },
    damage: usualDamage(usual, usual.location),
    bench: shop.bench,
    wanted: {
      permanence: 'lasting',
      finishGrit: 'P400',
      startAt: null,
      neededBy: null,
      skill: 2,
      tint: false,
      weights: { fast: 2, lasting: 3, tidy: 2, cheap: 1 },
      hottestInUseC: 45,
    },
    tools: shop.tools,
    shelf: shop.shelf,
    choice: null,
    overrides: null,
    products: shop.products ?? null,
    offcuts: shop.offcuts ?? null,
  };
}
