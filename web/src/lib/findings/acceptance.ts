import type { Acceptance, Finding } from '$lib/api/client';

const weight = { note: 0, look: 1, danger: 2 };

/** The acceptance that covers a finding: given for it, when it was no less grave than now. */
export const acceptanceOf = (finding: Finding, accepted: readonly Acceptance[] | null) =>
  accepted?.find((a) => a.id === finding.id && weight[a.severity ?? 'note'] >= weight[finding.severity]);

/** The acceptances of a firing with one more, which takes the place of any before it for the same finding. */
export const withAcceptance = (
  accepted: readonly Acceptance[],
  finding: Finding,
  note: string
): Acceptance[] => [
  ...accepted.filter((a) => a.id !== finding.id),
  { id: finding.id, severity: finding.severity, note, at: new Date().toISOString() }
];
