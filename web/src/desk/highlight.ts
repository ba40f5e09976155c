import { create } from '../ui/store';

/** What the stage points at in the drawing: a step's marks, or the layer that a rule protects. */
export const highlight = create<{ stepId: string | null; layer: string | null }>({ stepId: null, layer: null });
