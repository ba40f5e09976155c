import { useUnits } from '../app/units';
import { said } from './units';

/** A sentence that the server wrote, with its measures in the units that the shop shows. */
export function Said({ children }: { children: string }) {
  return said(children, useUnits().units);
}
