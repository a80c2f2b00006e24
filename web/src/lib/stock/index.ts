/** The studio's clays and glazes. */
export { clays, glazes } from './collections';
export { small } from './photos';
