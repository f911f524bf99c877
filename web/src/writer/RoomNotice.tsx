import { nearlyFull } from '@bogen/core/figure';
import { filledOfLesson, type LessonCommand, type LessonDocument } from '@bogen/core/lesson';
import { documentLimit } from '@bogen/contract/limits';
import { useEffect, useMemo, useState } from 'react';
import type { EditedDocument } from '../saving/editedDocument.js';
import { useEdited } from '../saving/useEdited.js';
import { useTranslation } from '../text/text.js';

/** From which part of what there may be it is told that little room is left. */
const told = 0.9;
/** How long writing has to rest before the size of the whole lesson is found out, in ms. */
const rest = 1500;

/** What there may soon be no more of, before anything is refused. */
export function RoomNotice({ edited }: { edited: EditedDocument<LessonDocument, LessonCommand> }) {
  const { t } = useTranslation();
  const lesson = useEdited(edited, ({ history }) => history.document);
  const bytes = useBytes(lesson);
  const fullest = useMemo(() => nearlyFull(filledOfLesson(lesson), told)[0], [lesson]);
  const parts: string[] = [];
  if (fullest) parts.push(t(`writer.nearlyFull.${fullest.of}`, { ...fullest }));
  if (bytes >= told * documentLimit)
    parts.push(
      t('writer.nearlyFull.bytes', {
        used: (bytes / 1e6).toFixed(1),
        most: (documentLimit / 1e6).toFixed(1),
      }),
    );
  if (parts.length === 0) return null;
  return (
    <p role="status" className="border-b border-line bg-tint px-4 py-1 text-[13px]">
      {parts.join(' ')}
    </p>
  );
}

function useBytes(lesson: LessonDocument): number {
  const [bytes, setBytes] = useState(0);
  useEffect(() => {
    const timer = setTimeout(() => setBytes(new Blob([JSON.stringify(lesson)]).size), rest);
    return () => clearTimeout(timer);
  }, [lesson]);
  return bytes;
}
