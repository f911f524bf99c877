import { canonicalText } from '../describe/canonical.js';
import type { SetContents } from './command/setContents.js';
import { notationOf, sheetOf, type LessonDocument, type Sheet } from './lesson.js';

/** What of a sheet can be another. */
export type SheetPart = 'title' | 'prose' | 'figure' | 'stages' | 'tasks' | 'place';

/** What became of a sheet. */
export interface SheetDifference {
  readonly sheet: string;
  readonly title: string;
  readonly kind: 'added' | 'removed' | 'changed';
  /** Of a changed sheet, what of it is another. */
  readonly parts: readonly SheetPart[];
}

/** What changed from one state of a lesson to another. */
export interface LessonDifference {
  readonly isTitleChanged: boolean;
  readonly isNotationChanged: boolean;
  /** In the order of the later state, what was removed at the end; unchanged sheets are left out. */
  readonly sheets: readonly SheetDifference[];
}

/** What changed from one state of a lesson to another, sheet by sheet. */
export function lessonDifference(before: LessonDocument, after: LessonDocument): LessonDifference {
  const stays = (lesson: LessonDocument, other: LessonDocument): readonly string[] =>
    lesson.sheets.map(({ id }) => id).filter((id) => sheetOf(other, id));
  const [order, was] = [stays(after, before), stays(before, after)];
  const sheets = after.sheets.flatMap((sheet): SheetDifference[] => {
    const { id, title } = sheet;
    const old = sheetOf(before, id);
    if (!old) return [{ sheet: id, title, kind: 'added', parts: [] }];
    const parts = partsOf(old, sheet);
    if (order.indexOf(id) !== was.indexOf(id)) parts.push('place');
    return parts.length > 0 ? [{ sheet: id, title, kind: 'changed', parts }] : [];
  });
  const removed = before.sheets
    .filter(({ id }) => !sheetOf(after, id))
    .map(({ id, title }): SheetDifference => ({ sheet: id, title, kind: 'removed', parts: [] }));
  return {
    isTitleChanged: before.title !== after.title,
    isNotationChanged: canonicalText(notationOf(before)) !== canonicalText(notationOf(after)),
    sheets: [...sheets, ...removed],
  };
}

function partsOf(before: Sheet, after: Sheet): SheetPart[] {
  return (['title', 'prose', 'figure', 'stages', 'tasks'] as const).filter(
    (part) => before[part] !== after[part] && canonicalText(before[part]) !== canonicalText(after[part]),
  );
}

/** The command that makes a lesson what it was. */
export function backTo(now: LessonDocument, then: LessonDocument): SetContents {
  return {
    name: 'setContents',
    title: then.title,
    ...(then.notation && { notation: then.notation }),
    sheets: then.sheets,
    gone: now.sheets.map(({ id }) => id).filter((id) => !sheetOf(then, id)),
  };
}
