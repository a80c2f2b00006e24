// Everything is drawn in the browser; the program sends one page for every address.
export const ssr = false;
