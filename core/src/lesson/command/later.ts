import { told } from '../../told/told.js';
import { list, optional } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { lessonLimits, stageDescription, type Stage } from '../lesson.js';

/**
 * What later stages become when an earlier one changes, whole: whoever changes it has computed that, so that what was
 * seen is what is kept, and nobody has to compute it again.
 */
export const laterStages = optional(list(stageDescription, lessonLimits.stages));

/**
 * Stages with others of the same ids in their places.
 * @returns them, and those that they were before, as the part of the command that leads back
 * @throws CommandError where one of them is not there any more
 */
export function withLater(
  stages: readonly Stage[],
  later: readonly Stage[] | undefined,
): { stages: readonly Stage[]; before: { later?: readonly Stage[] } } {
  if (!later || later.length === 0) return { stages, before: {} };
  const changed = [...stages];
  const before: Stage[] = [];
  for (const stage of later) {
    const at = changed.findIndex(({ id }) => id === stage.id);
    if (at < 0) throw new CommandError(told('stageGone'));
    before.unshift(changed[at]!);
    changed[at] = stage;
  }
  return { stages: changed, before: { later: before } };
}

/** The paths of later stages that a command changes. */
export const touchesOfLater = (sheet: string, later: readonly Stage[] | undefined): string[] =>
  (later ?? []).map(({ id }) => `${sheet}/stages/${id}`);
