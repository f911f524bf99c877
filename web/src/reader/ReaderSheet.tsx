import type { Answer } from '@bogen/contract';
import { startOver } from '@bogen/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { FigureView } from '../figure/FigureView.js';
import { useScene } from '../figure/useScene.js';
import { Rail } from '../rail/Rail.js';
import { SaveNotice, SaveState, UndoButtons } from '../saving/SaveState.js';
import { useSessionLife, useUndoKeys } from '../saving/useSession.js';
import { ProgressLine } from '../sheet/ProgressLine.js';
import { SheetLayout } from '../sheet/SheetLayout.js';
import { SheetText } from '../sheet/SheetText.js';
import { TaskCard } from '../sheet/TaskCard.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Failure, Loading } from '../ui/States.js';
import { TopBar } from '../ui/TopBar.js';
import { checkIfWaiting, checkOnServer, looseHost, openWork, type OpenWork } from './work.js';

interface ReaderSheetProps {
  readonly lesson: Answer<'readLesson'>;
  readonly index: number;
  /** The edition asked for in the address, if any. */
  readonly wanted: number | undefined;
}

/** One sheet with the student's own figure. */
export function ReaderSheet({ lesson, index, wanted }: ReaderSheetProps) {
  const sheet = lesson.sheets[index]!;
  const work = useQuery({
    queryKey: ['work', lesson.edition.id, sheet.id],
    queryFn: () => openWork(lesson.edition.id, sheet.id),
    staleTime: Infinity,
    gcTime: 0,
    structuralSharing: false,
  });
  if (work.error) return <Failure error={work.error} onRetry={() => void work.refetch()} />;
  if (!work.data) return <Loading />;
  return <OpenSheet lesson={lesson} index={index} wanted={wanted} work={work.data} />;
}

function OpenSheet({ lesson, index, wanted, work }: ReaderSheetProps & { work: OpenWork }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const sheet = lesson.sheets[index]!;
  const { session } = work;
  const host = useMemo(() => looseHost(session), [session]);
  const scene = useScene(host);
  const [wide, setWide] = useState(false);
  useSessionLife(session);
  useUndoKeys(session);

  useEffect(() => {
    const refresh = (): void => {
      void client.invalidateQueries({ queryKey: ['read', lesson.lesson] });
    };
    // Opening the sheet was progress already; to ask for it waits until the sheet is seen.
    let later: ReturnType<typeof setTimeout>;
    const frame = requestAnimationFrame(() => (later = setTimeout(refresh)));
    const stop = session.store.subscribe((state, before) => {
      if (state.status !== 'saved' || before.status === 'saved') return;
      void checkIfWaiting(work).then((results) => results && refresh());
    });
    return () => {
      stop();
      cancelAnimationFrame(frame);
      clearTimeout(later);
    };
  }, [client, lesson.lesson, session, work]);
  useEffect(() => {
    void checkIfWaiting(work).catch(() => null);
  }, [work]);

  const addressOf = (id: string): string =>
    `/read/${lesson.lesson}/${id}${wanted ? `?edition=${wanted}` : ''}`;
  const previous = lesson.sheets[index - 1];
  const next = lesson.sheets[index + 1];
  const over = (): void => {
    const command = startOver(session.store.getState().history.document, sheet.figure);
    if (command) session.do(command);
  };
  return (
    <SheetLayout
      wide={wide}
      bar={
        <TopBar
          place={
            <>
              <Link to="/class" className="truncate text-soft underline-offset-4 hover:underline">
                {lesson.courseTitle}
              </Link>
              <span aria-hidden className="text-soft">
                /
              </span>
              <span className="truncate font-semibold">{lesson.title}</span>
            </>
          }
          middle={<ProgressLine sheets={lesson.progress} current={sheet.id} addressOf={addressOf} />}
          end={<SaveState session={session} />}
        />
      }
      notice={
        <>
          {lesson.newestEdition > lesson.edition.number && (
            <div className="flex items-center gap-4 border-b border-line bg-tint px-4 py-1 text-[13px]">
              <span>{t('reader.newerEdition', { number: lesson.newestEdition })}</span>
              <Link
                to={`/read/${lesson.lesson}?edition=${lesson.newestEdition}`}
                className="text-accent underline underline-offset-4"
              >
                {t('reader.toNewer', { number: lesson.newestEdition })}
              </Link>
            </div>
          )}
          <SaveNotice session={session} />
        </>
      }
      text={
        <SheetText
          sheet={sheet}
          number={index + 1}
          count={lesson.sheets.length}
          task={
            sheet.task && (
              <TaskCard
                task={sheet.task}
                start={sheet.figure}
                scene={scene}
                passed={lesson.progress[index]!.progress === 'done'}
                onCheck={async () => {
                  const results = await checkOnServer(work);
                  await client.invalidateQueries({ queryKey: ['read', lesson.lesson] });
                  return results;
                }}
                startOver={<Button onClick={over}>{t('sheet.startOver')}</Button>}
              />
            )
          }
          links={
            <>
              {previous ? (
                <Link to={addressOf(previous.id)} className="underline-offset-4 hover:underline">
                  ← {t('sheet.previous')}
                </Link>
              ) : (
                <span />
              )}
              {next && (
                <Link to={addressOf(next.id)} className="underline-offset-4 hover:underline">
                  {t('sheet.next')} →
                </Link>
              )}
            </>
          }
        />
      }
      tools={
        <>
          <UndoButtons session={session} />
          {!sheet.task && (
            <Button quiet onClick={over}>
              {t('sheet.startOver')}
            </Button>
          )}
          <span className="flex-1" />
          <Button quiet pressed={wide} onClick={() => setWide(!wide)}>
            {wide ? t('sheet.showProse') : t('sheet.wholeFigure')}
          </Button>
        </>
      }
      figure={<FigureView scene={scene} />}
      rail={<Rail scene={scene} />}
    />
  );
}
