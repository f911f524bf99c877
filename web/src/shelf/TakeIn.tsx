import { useQueryClient } from '@tanstack/react-query';
import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { NoLessonFile, takeIn } from './lessonFile.js';

/** A lesson from a file, with its progress while it is sent, and what is wrong with it where something is. */
export function TakeIn({ course, onProblem }: { course: string; onProblem: (problem: string) => void }) {
  const { t } = useTranslation();
  const tell = useTold();
  const client = useQueryClient();
  const navigate = useNavigate();
  const field = useRef<HTMLInputElement>(null);
  const [sent, setSent] = useState<number | null>(null);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    onProblem('');
    setSent(0);
    try {
      const { id } = await takeIn(course, file, setSent);
      await client.invalidateQueries({ queryKey: ['shelf'] });
      await navigate(`/write/${id}`);
    } catch (error) {
      onProblem(
        t('shelf.fileRefused', {
          file: file.name,
          why: error instanceof NoLessonFile ? t(`shelf.fileProblem.${error.reason}`) : tell(error as Error),
        }),
      );
    } finally {
      setSent(null);
    }
  };
  return (
    <>
      <input
        ref={field}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        tabIndex={-1}
        aria-label={t('shelf.takeIn')}
        onChange={(event) => {
          void take(event.target.files?.[0]);
          // The same file can be chosen again after it was mended.
          event.target.value = '';
        }}
      />
      <Button quiet disabled={sent !== null} onClick={() => field.current?.click()}>
        <FileUp aria-hidden size={15} />
        {sent === null ? t('shelf.takeIn') : t('shelf.takingIn', { percent: Math.round(sent * 100) })}
      </Button>
    </>
  );
}
