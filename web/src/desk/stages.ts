import { say } from '../words/say'; /** The stages of a mend: one place with one picture. */
export const stages = ['look', 'match', 'plan', 'mend', 'prove'] as const;

export type Stage = (typeof stages)[number];

export function isStage(text: string): text is Stage {
  return (stages as readonly string[]).includes(text);
}

export const stageNames: Record<Stage, string> = {
  look: say`Look`,
  match: say`Match`,
  plan: say`Plan`,
  mend: say`Mend`,
  prove: say`Prove`,
};
