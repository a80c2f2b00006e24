import type { Problem } from '$lib/api/client';

/** Longest side of a stored photo; enough for a test tile on a phone at arm's length. */
const longest = 900;

/** The photos of the clays or the glazes: which thing has one, and the bytes themselves, which are no JSON. */
export const photosOf = (shelf: string) => {
  const at = (id: number) => `/api/${shelf}/${id}/photo`;
  const problemOf = async (response: Response): Promise<Problem | null> =>
    response.ok ? null : ((await response.json().catch(() => ({}))) as Problem);
  return {
    query: {
      queryKey: [shelf, 'photos'],
      queryFn: async () => {
        const response = await fetch(`/api/${shelf}/photos`);
        if (!response.ok) throw await problemOf(response);
        const photos = (await response.json()) as { id: number; takenInAt: string }[];
        return Object.fromEntries(photos.map((p) => [p.id, `${at(p.id)}?${Date.parse(p.takenInAt)}`]));
      }
    },
    save: async (id: number, picture: Blob) =>
      problemOf(
        await fetch(at(id), { method: 'PUT', body: picture, headers: { 'Content-Type': picture.type } })
      ),
    remove: async (id: number) => problemOf(await fetch(at(id), { method: 'DELETE' })),
    read: async (id: number) => (await fetch(at(id))).blob()
  };
};

/** A picture made small enough to store, as a JPEG; nothing when it is no picture. */
export async function small(file: Blob): Promise<Blob | null> {
  const picture = await createImageBitmap(file).catch(() => null);
  if (!picture) return null;
  const scale = Math.min(1, longest / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(picture.width * scale), Math.round(picture.height * scale)];
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((done) => canvas.toBlob(done, 'image/jpeg', 0.85));
}
