import { lessonDifference, type LessonDocument } from '@bogen/core/lesson';
import { useMemo } from 'react';
import { useTranslation } from '../../text/text.js';

/** What changed from one state of a lesson to another, told sheet by sheet. */
export function Differences({ before, after }: { before: LessonDocument; after: LessonDocument }) {
  const { t } = useTranslation();
  const { isTitleChanged, isNotationChanged, sheets } = useMemo(
    () => lessonDifference(before, after),
    [before, after],
  );
  if (!isTitleChanged && !isNotationChanged && sheets.length === 0)
    return <p className="text-[13px] text-soft">{t('lessonHistory.nothing')}</p>;
  return (
    <ul className="flex flex-col gap-1 text-[13px]" data-differences>
      {isTitleChanged && <li>{t('lessonHistory.title', { before: before.title, after: after.title })}</li>}
      {isNotationChanged && <li>{t('lessonHistory.notation')}</li>}
      {sheets.map(({ sheet, title, kind, parts }) => (
        <li key={sheet}>
          <span className="font-medium">{title}</span>:{' '}
          {kind === 'changed'
            ? parts.map((part) => t(`lessonHistory.parts.${part}`)).join(', ')
            : t(`lessonHistory.kinds.${kind}`)}
        </li>
      ))}
    </ul>
  );
}
