import { useQuery } from '@tanstack/react-query';
import { catalogueQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { say } from '../words/say';
import { kindWords } from './words';

/** Tells a damage of an item in a few words: what and where. */
export function useDamageWords(): (damage: Schemas['Damage'], construction: string) => string {
  const { data } = useQuery(catalogueQuery);
  return ({ kind, location, onMate }, construction) => {
    const place = data?.constructions.find((each) => each.id === construction)?.locations.find((each) => each.id === location)?.name ?? location;
    const words = `${kindWords[kind]}, ${place.toLowerCase()}`;
    return onMate ? say`${words}, the other one` : words;
  };
}
