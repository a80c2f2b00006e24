import type { Problem } from '$lib/api/client';

/** Sends a file to be taken in. JSON or CSV by its name; what it brought, or the problems by field. */
export async function importFile(file: File): Promise<{ count: number } | { problem: Problem }> {
  const csv = /\.(csv|tsv|txt)$/i.test(file.name) || file.type === 'text/csv';
  const response = await fetch('/api/schedules/import', {
    method: 'POST',
    headers: { 'content-type': csv ? 'text/csv' : 'application/json' },
    body: file
  });
  const answer: unknown = await response.json();
  return response.ok
    ? { count: (answer as { imported: unknown[] }).imported.length }
    : { problem: answer as Problem };
}
