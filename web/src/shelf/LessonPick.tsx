import type { LessonCommand, Sheet, Step } from '@bogen/core/lesson';
import { useMutation } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { call } from '../api/instructorCall.js';
import { newId } from '../saving/newId.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Popup } from '../ui/Popup.js';
import { ProblemText } from '../ui/ProblemText.js';
import { useShelf } from './useShelf.js';

interface LessonPickProps {
  readonly label: string;
  readonly trigger: ReactNode;
  /** A lesson that is not offered, since the sheet stands in it. */
  readonly except?: string;
  /** The sheet as it goes to the lesson that is chosen. */
  readonly sheet: () => Sheet;
  /** It stands there now. */
  readonly onDone: (lesson: string, sheet: string) => void;
}

/** One's own lessons, to one of which a sheet is added, at its end. */
export function LessonPick({ label, trigger, except, sheet, onDone }: LessonPickProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const send = useMutation({
    mutationFn: async (lesson: string) => ({ lesson, sheet: await addSheetTo(lesson, sheet()) }),
    onSuccess: (done) => {
      setOpen(false);
      onDone(done.lesson, done.sheet);
    },
  });
  return (
    <Popup
      label={label}
      open={open}
      onOpen={(next) => {
        setOpen(next);
        send.reset();
      }}
      trigger={trigger}
    >
      {open && (
        <div className="flex w-[300px] max-w-full flex-col gap-1 text-[13px]" data-lesson-pick>
          <h3 className="px-2.5 font-semibold">{label}</h3>
          <ProblemText error={send.error} className="px-2.5" />
          <Lessons except={except} isPending={send.isPending} onChoose={(lesson) => send.mutate(lesson)} />
          <p role="status" className="px-2.5 text-soft">
            {send.isPending && t('save.saving')}
          </p>
        </div>
      )}
    </Popup>
  );
}

function Lessons({
  except,
  isPending,
  onChoose,
}: {
  except: string | undefined;
  isPending: boolean;
  onChoose: (lesson: string) => void;
}) {
  const { t } = useTranslation();
  const shelf = useShelf();
  if (!shelf.data)
    return shelf.error ? <ProblemText error={shelf.error} className="px-2.5" /> : <p>{t('app.loading')}</p>;
  const courses = shelf.data.courses
    .filter(({ archived }) => !archived)
    .map((course) => ({
      ...course,
      lessons: course.lessons.filter(({ id, archived }) => id !== except && !archived),
    }))
    .filter(({ lessons }) => lessons.length > 0);
  if (courses.length === 0) return <p className="px-2.5 text-soft">{t('shelf.noOtherLesson')}</p>;
  return courses.map((course) => (
    <section key={course.id} aria-label={course.title}>
      <h4 className="px-2.5 pt-1 text-soft">{course.title}</h4>
      {course.lessons.map(({ id, title }) => (
        <Button
          key={id}
          quiet
          className="w-full justify-start"
          disabled={isPending}
          onClick={() => onChoose(id)}
        >
          {title}
        </Button>
      ))}
    </section>
  ));
}

/** Adds a sheet at the end of a lesson. @returns its id there */
async function addSheetTo(lesson: string, sheet: Sheet): Promise<string> {
  const { revision, document } = await call('draft', { params: { lesson } });
  const isTaken = document.sheets.some(({ id }) => id === sheet.id);
  const added = isTaken ? { ...sheet, id: newId() } : sheet;
  const command: LessonCommand = { name: 'addSheet', sheet: added, at: document.sheets.length };
  const steps: Step<LessonCommand>[] = [{ id: newId(), kind: 'do', command }];
  await call('appendToDraft', { params: { lesson }, body: { base: revision, steps } });
  return added.id;
}
