import type { LoadBody, ScheduleBody } from '$lib/api/client';

/** The firing a start is looked for: its schedule, its kiln and what is in it. */
export interface StartTask {
  schedule: ScheduleBody;
  kilnId: number | null;
  load: LoadBody | null;
}
