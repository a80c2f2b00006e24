import { display } from '$lib/display.svelte';
import { sayLength } from './measure';

/** "205 mm", "8.07 in": in the studio's unit. */
export const lengthText = (mm: number): string => `${sayLength(mm, display.length)} ${display.length}`;
