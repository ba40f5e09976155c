import createClient from 'openapi-fetch';
import type { Units } from '../measures/units';
import { patient, usualPatienceMs } from './patience';
import type { paths } from './schema';
import type { Problem } from './types';
import { say } from '../words/say';

export const api = createClient<paths>({ baseUrl: '/', fetch: patient(usualPatienceMs) });

let units: Units = 'metric';

/** Sentences come from the server in words: from now on in these units. */
export function speakIn(next: Units): void {
  units = next;
}

api.use({
  onRequest({ request }) {
    request.headers.set('Able-Mend-Units', units);
  },
});

/** A refusal of the server, with its problems ready to be shown. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problems: readonly Problem[],
  ) {
    super(problems[0]?.message ?? say`The server cannot be reached.`);
  }
}

const unreachable: Problem = {
  code: 'unreachable',
  field: '',
  message: say`The server does not answer. Nothing that was saved is lost.`,
  remedy: say`Check that it runs; this page goes on by itself when it is back.`,
};

/** Whether nobody answered who could say yes or no: it is tried again. */
export const isOutOfReach = (error: unknown) => !(error instanceof Refused) || error.status === 0 || error.status >= 500 || error.status === 429;

/** Whether somebody else was first: what was asked collides with what they changed. */
export const isCollision = (error: unknown) => error instanceof Refused && error.status === 409;

function problemsOf(error: unknown): readonly Problem[] {
  const carried = (error as { problems?: readonly Problem[] } | undefined)?.problems;
  return carried && carried.length > 0 ? carried : [unreachable];
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** The data of an answer, or a {@link Refused}. */
export async function ask<T>(pending: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await pending;
  } catch (fault) {
    if (fault instanceof DOMException && fault.name === 'AbortError') throw fault;
    throw new Refused(0, [unreachable]);
  }
  // What is done and says nothing has no data.
  if (answer.data === undefined && !answer.response.ok) throw new Refused(answer.response.status, problemsOf(answer.error));
  return answer.data as T;
}

export function problemsIn(error: unknown): readonly Problem[] {
  return error instanceof Refused ? error.problems : error ? [unreachable] : [];
}
