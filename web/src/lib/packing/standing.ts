import type { Drawn } from './silhouette';

/** Where the body of a piece stands, and which way its handle points: degrees, as on a map with the back at the top. */
export interface Stand {
  x: number;
  y: number;
  turn: number;
}

/**
 * A piece that may stand any way round has a disc to itself, body and handle together; it is drawn with its handle to the middle, as
 * hands would set it down. One that is turned stands as the packer says.
 */
export function standOf(place: Stand, size: Drawn, turned: boolean, raw: boolean): Stand {
  if (turned || size.handle <= 0 || size.shape === 'rectangle') return place;
  const towards = Math.atan2(-place.y, -place.x);
  const off = (size.handle * (raw ? 0.5 : 1)) / 2;
  return {
    x: place.x - Math.cos(towards) * off,
    y: place.y - Math.sin(towards) * off,
    turn: (towards * 180) / Math.PI
  };
}
