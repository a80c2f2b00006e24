import type { Problem } from '$lib/api/client';
import { api } from '$lib/api/client';
import { person } from '$lib/api/person';
import type { LogLook, LogReading, LogTaken } from './types';

const headBytes = 64 * 1024;
const partBytes = 4 * 1024;
const partCount = 8;

/** Reads a piece of a file in the letters it is written in: spreadsheets save “Unicode text” in two bytes a letter. */
async function decoder(file: Blob) {
  const [a, b] = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  const letters = new TextDecoder(
    a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8'
  );
  return async (from: number, length: number) =>
    letters.decode(await file.slice(from, from + length).arrayBuffer());
}

/** A first guess at how a log is to be read: from its beginning, and from pieces further on, where it is hot. */
export async function look(firingId: number, file: Blob): Promise<LogLook> {
  const read = await decoder(file);
  const head = await read(0, headBytes);
  const rest = Math.max(0, file.size - headBytes);
  const parts = await Promise.all(
    Array.from({ length: rest > 0 ? partCount : 0 }, (_, i) => {
      const from = headBytes + Math.floor((rest * i) / partCount);
      return read(from - (from % 2), partBytes);
    })
  );
  const { data, error } = await api.POST('/api/firings/{id}/log/look', {
    params: { path: { id: firingId } },
    body: { head, parts }
  });
  if (!data) throw error;
  return data;
}

/** A log on its way. */
export interface Sending {
  done: Promise<LogTaken>;
  /** Gives up; nothing of it is kept. */
  cancel: () => void;
}

/** Sends a whole log; fetch cannot tell how far it is, so this is the older way. */
export function send(
  firingId: number,
  file: Blob,
  reading: LogReading,
  onprogress: (share: number) => void,
  { try: tries = false } = {}
): Sending {
  const request = new XMLHttpRequest();
  const done = new Promise<LogTaken>((resolve, reject) => {
    request.open(
      'PUT',
      `/api/firings/${firingId}/log?${tries ? 'try=true&' : ''}reading=${encodeURIComponent(JSON.stringify(reading))}`
    );
    request.responseType = 'json';
    request.setRequestHeader('Content-Type', 'text/csv');
    if (person.name) request.setRequestHeader('Studio-Person', encodeURIComponent(person.name));
    request.upload.onprogress = (e) => onprogress(e.total > 0 ? e.loaded / e.total : 0);
    request.onload = () =>
      request.status === 200
        ? resolve(request.response as LogTaken)
        : reject(
            (request.response as Problem | null) ?? {
              detail: 'The program could not take this log. Nothing of it was kept.'
            }
          );
    request.onerror = () =>
      reject({ detail: 'The program could not be reached. Nothing of the log was kept.' } satisfies Problem);
    request.onabort = () => reject(new DOMException('Given up', 'AbortError'));
    request.send(file);
  });
  return { done, cancel: () => request.abort() };
}
