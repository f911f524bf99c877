import type { Sheet } from '@bogen/core/lesson';
import { useMutation, useQuery } from '@tanstack/react-query';
import { FolderInput } from 'lucide-react';
import { useState } from 'react';
import { call } from '../api/call.js';
import { newId } from '../saving/newId.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Popup } from '../ui/Popup.js';
import { ProblemText } from '../ui/ProblemText.js';

interface MoveSheetProps {
  readonly lesson: string;
  readonly sheet: Sheet;
  /** Why it can't go, where it can't. */
  readonly refused: string | undefined;
  /** It stands in the other lesson now, and is to go from this one. */
  readonly onMoved: (to: string) => void;
}

/** The other lessons of one's own, to one of which a sheet is moved, at their end. */
export function MoveSheet({ lesson, sheet, refused, onMoved }: MoveSheetProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const shelf = useQuery({
    queryKey: ['shelf'],
    queryFn: ({ signal }) => call('shelf', { signal }),
    enabled: open,
  });
  const move = useMutation({
    mutationFn: async (to: string) => {
      const { revision, document } = await call('draft', { params: { lesson: to } });
      const isTaken = document.sheets.some(({ id }) => id === sheet.id);
      const command = {
        name: 'addSheet',
        sheet: isTaken ? { ...sheet, id: newId() } : sheet,
        at: document.sheets.length,
      };
      const steps = [{ id: newId(), kind: 'do', command }];
      await call('appendToDraft', { params: { lesson: to }, body: { base: revision, steps } as never });
      return document.title;
    },
    onSuccess: (title) => {
      setOpen(false);
      onMoved(title);
    },
  });
  const courses = shelf.data?.courses ?? [];
  const label = t('writer.moveSheet');
  return (
    <Popup
      label={label}
      open={open}
      onOpen={(next) => {
        setOpen(next);
        move.reset();
      }}
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
    >
      {open && (
        <div className="flex w-[300px] max-w-full flex-col gap-1 text-[13px]" data-move-sheet>
          <h3 className="px-2.5 font-semibold">{label}</h3>
          <ProblemText error={shelf.error ?? move.error} className="px-2.5" />
          {courses.map((course) => {
            const others = course.lessons.filter(({ id }) => id !== lesson);
            return (
              others.length > 0 && (
                <section key={course.id} aria-label={course.title}>
                  <h4 className="px-2.5 pt-1 text-soft">{course.title}</h4>
                  {others.map(({ id, title }) => (
                    <Button
                      key={id}
                      quiet
                      className="w-full justify-start"
                      disabled={move.isPending}
                      onClick={() => move.mutate(id)}
                    >
                      {title}
                    </Button>
                  ))}
                </section>
              )
            );
          })}
          {shelf.data && courses.every(({ lessons }) => lessons.every(({ id }) => id === lesson)) && (
            <p className="px-2.5 text-soft">{t('writer.noOtherLesson')}</p>
          )}
        </div>
      )}
    </Popup>
  );
}
