import '../text/enPages.js';
import type { Sheet } from '@bogen/core/lesson';
import { FolderInput } from 'lucide-react';
import { LessonPick } from '../shelf/LessonPick.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';

interface MoveSheetProps {
  readonly lesson: string;
  readonly sheet: Sheet;
  /** Why it can't go, where it can't. */
  readonly refused: string | undefined;
  /** It stands in the other lesson now, and is to go from this one. */
  readonly onMoved: () => void;
}

/** Moves a sheet to the end of another lesson. */
export function MoveSheet({ lesson, sheet, refused, onMoved }: MoveSheetProps) {
  const { t } = useTranslation();
  const label = t('writer.moveSheet');
  return (
    <LessonPick
      label={label}
      except={lesson}
      sheet={() => sheet}
      onDone={onMoved}
      trigger={
        <Button
          quiet
          className="px-1.5"
          disabled={refused !== undefined}
          aria-label={label}
          title={refused ?? label}
        >
          <FolderInput aria-hidden size={15} />
        </Button>
      }
    />
  );
}
