import { me } from './me.svelte';

const key = 'ember.person';

/** Who works at this device, as they typed it; goes with every save, so that a history can say who. */
export const person = {
  get name(): string {
    // Where there are accounts, who it is comes from the session.
    return me.now?.person?.name ?? localStorage.getItem(key) ?? '';
  },
  set name(name: string) {
    const plain = name.trim().slice(0, 60);
    if (plain) localStorage.setItem(key, plain);
    else localStorage.removeItem(key);
  }
};
