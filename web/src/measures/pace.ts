import { say } from '../words/say';

/** How many times slower or faster than its label something sets, in words; as its label says, where the difference is small. */
export function paceWords(rate: number): string {
  const times = (rate < 1 ? 1 / rate : rate).toFixed(1);
  if (times === '1.0') return say`sets as its label says here`;
  return rate < 1 ? say`sets ${times} × slower here than its label says` : say`sets ${times} × faster here than its label says`;
}

/** From how much that was learnt. */
export const lookWords = (looks: number): string => (looks === 1 ? say`1 look` : say`${looks} looks`);
