import { vi } from 'vitest';
import { api } from '$lib/api/client';

/** What was asked of the server. */
export interface Asked {
  method: string;
  path: string;
  body: unknown;
  headers: Record<string, string>;
  id: number | undefined;
}

/** What it is answered with: a body, or a problem with its status. */
export interface Answer {
  body?: unknown;
  status?: number;
  problem?: unknown;
}

interface Call {
  body?: unknown;
  headers?: Record<string, string>;
  params?: { path?: { id?: number } };
  signal?: AbortSignal;
}

/** Puts a server of the test's own in place of the real one; gives the list of what is asked of it. */
export function answering(answer: (asked: Asked) => Answer | Promise<Answer>): Asked[] {
  const asked: Asked[] = [];
  for (const method of ['GET', 'POST', 'PUT', 'DELETE'] as const)
    vi.spyOn(api, method).mockImplementation((async (path: string, call: Call = {}) => {
      const one = {
        method,
        path,
        body: call.body,
        headers: call.headers ?? {},
        id: call.params?.path?.id
      };
      asked.push(one);
      const { body, problem, status = problem ? 400 : 200 } = await answer(one);
      call.signal?.throwIfAborted();
      return { data: problem ? undefined : body, error: problem, response: new Response(null, { status }) };
    }) as never);
  return asked;
}
