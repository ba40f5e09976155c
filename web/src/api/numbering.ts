/** Which damage an identifier of the plan belongs to, and what it is called within that damage. */
export function numbered(id: string): { number: number; id: string } {
  const [, number, rest] = /^(\d+):(.*)$/.exec(id) ?? [];
  return number && rest ? { number: Number(number), id: rest } : { number: 1, id };
}
