import type { Alarm } from './types';

const together = 2;

/** What a power cut shows beside itself, and ends with it: one thing happened, and is told once. */
export const ofTheCut = (alarm: Alarm, alarms: readonly Alarm[]): Alarm[] =>
  alarm.id !== 'power-cut'
    ? []
    : alarms.filter(
        (a) =>
          (a.id === 'no-reading' || a.id === 'no-heat') &&
          a.until !== null &&
          a.acknowledgedBy === null &&
          Math.abs(a.until - alarm.since) <= together
      );

/** Alarms without those a power cut tells with its own. */
export const toldOnce = (alarms: readonly Alarm[]): Alarm[] => {
  const told = alarms.flatMap((alarm) => ofTheCut(alarm, alarms));
  return alarms.filter((alarm) => !told.includes(alarm));
};

/** A power cut nobody has seen yet. */
export const unseenCut = (alarms: readonly Alarm[]): boolean =>
  alarms.some((a) => a.id === 'power-cut' && a.acknowledgedBy === null);
