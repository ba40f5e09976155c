import type { Catalogue } from '../api/types';
import type { MendDesk } from './damageInHand';
import type { Stage } from './stages';

/** What every stage of a mend is given. */
export interface StageProps {
  desk: MendDesk;
  catalogue: Catalogue;
  goTo: (stage: Stage) => void;
}
