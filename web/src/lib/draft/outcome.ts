import { fieldErrors, sayProblem, type Problem } from '$lib/api/client';

/** Something as the server has it. */
export interface Stored<T> {
  id: number;
  version: number;
  body: T;
}

/** What a save came to. */
export type Outcome<T> =
  | { kind: 'saved'; stored: Stored<T> }
  /** Changed since; saveKey tells whose save the newer version is. */
  | { kind: 'conflict'; theirs: Stored<T>; saveKey: string | null }
  | { kind: 'refused'; text: string; errors: Record<string, string> }
  | { kind: 'gone' }
  | { kind: 'later'; text: string; seconds: number | null };

interface Answer<Data> {
  data?: Data;
  error?: unknown;
  response: Response;
}

/** The server's answer to a save, as a draft takes it. */
export function outcomeOf<Data, T>(answer: Answer<Data>, read: (data: Data) => Stored<T>): Outcome<T> {
  if (answer.data !== undefined) return { kind: 'saved', stored: read(answer.data) };
  const problem = (answer.error ?? {}) as Problem;
  const { status, headers } = answer.response;
  if (status === 412 && problem.current)
    return {
      kind: 'conflict',
      theirs: read(problem.current as Data),
      saveKey: headers.get('Save-Key')
    };
  if (status === 404) return { kind: 'gone' };
  if (status === 503 || status === 507 || status >= 500)
    return { kind: 'later', text: sayProblem(problem), seconds: Number(headers.get('Retry-After')) || null };
  return { kind: 'refused', text: sayProblem(problem), errors: fieldErrors(problem) };
}
