import type { Answer } from '@bogen/contract';
import { startOver, type FigureDocument } from '@bogen/core/figure';
import { steppedStages } from '@bogen/core/lesson';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense, useDeferredValue, useEffect, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { ApiProblem, NotConnected } from '../api/call.js';
import { ToBench } from '../bench/ToBench.js';
import { FigureView } from '../figure/view/FigureView.js';
import { prepareFigures, sheetsByNearness } from '../sheet/prepare.js';
import { Rail } from '../rail/Rail.js';
import { SaveNotice, SaveState, UndoButtons } from '../saving/SaveState.js';
import { Glossed } from '../glossary/Glossed.js';
import { FigureOfText } from '../live/FigureOfText.js';
import { ProgressLine } from '../sheet/ProgressLine.js';
import { SheetLayout } from '../sheet/SheetLayout.js';
import { SheetText } from '../sheet/SheetText.js';
import { LazyTaskCard } from '../task/LazyTaskCard.js';
import { TaskToRead } from '../task/TaskToRead.js';
import { useNotationOf } from '../text/notation.js';
import { useTranslation } from '../text/text.js';
import { useTheme } from '../theme/theme.js';
import type { PresentState } from '../stage/presentState.js';
import { useSingleKey } from '../ui/useSingleKey.js';
import { Button } from '../ui/Button.js';
import { Failure } from '../ui/States.js';
import { TopBar } from '../ui/TopBar.js';
import { lazyPart } from '../ui/lazyPart.js';
import { useStateOf } from '../ui/useStateOf.js';
import { TaskElsewhere } from '../stage/TaskElsewhere.js';
import { StageStep } from '../stage/StageStep.js';
import { useStageInAddress } from '../stage/useStageInAddress.js';
import { useSolution } from '../stage/useSolution.js';
import { useStagedScene } from '../stage/useStagedScene.js';
import { useOver } from '../task/useOver.js';
import { checkOnServer, keepAnswer, keptAnswer, lastSeen, openWork, type WorkPlace } from './work.js';
import { useStageOfWork } from './useStageOfWork.js';
import { WorkLife } from './WorkLife.js';

const KeepCopy = lazyPart(async () => (await import('./KeepCopy.js')).KeepCopy);

const PrintedSheet = lazyPart(async () => (await import('../handout/PrintedSheet.js')).PrintedSheet);

const FreedomTools = lazyPart(async () => (await import('./tools/FreedomTools.js')).FreedomTools);

interface ReaderSheetProps {
  readonly lesson: Answer<'readLesson'>;
  readonly index: number;
  /** The edition asked for in the address, if any. */
  readonly wanted: number | undefined;
  /** Given where the lesson stands alone: what is in the bar for it. There are no other pages to go to then. */
  readonly alone?: ReactNode;
}

/**
 * One sheet with the student's own figure, at one of its stages. Its text is there at once, and so is its figure where
 * that is known here. The page stays with every sheet of the lesson; what belongs to one goes with its scene or by
 * its key.
 */
export function ReaderSheet({ lesson, index, wanted, alone }: ReaderSheetProps) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const sheet = lesson.sheets[index]!;
  useNotationOf(lesson.notation);
  const sheetPlace = `${lesson.edition.id}/${sheet.id}`;
  const stages = steppedStages(sheet);
  const [stageId, goToStage] = useStageInAddress(sheet.id, stages);
  const place: WorkPlace = { edition: lesson.edition.id, sheet: sheet.id, stage: stageId };
  const { before, host, start, isLookedAt } = useStageOfWork(lesson, index, place, stageId === stages[0]!.id);
  const query = useQuery({
    queryKey: ['work', place.edition, place.sheet, place.stage],
    queryFn: async () => {
      const work = await openWork(place, before);
      host.receive(work.edited, work.keepLocks);
      return work;
    },
    enabled: !isLookedAt,
    staleTime: Infinity,
    gcTime: 0,
    structuralSharing: false,
  });
  // The figure is drawn first; what else the work brings to the page comes right after it.
  const opened = useDeferredValue(query.data ?? null, null);
  // For a moment what is deferred can be the work of the stage before.
  const work = opened === query.data ? opened : null;
  const edited = work?.edited;
  const { host: seen, isShown, solutionOf } = useSolution(`${sheetPlace}/${stageId}`, sheet, host);
  const scene = useStagedScene(sheetPlace, seen, sheet.stages.length);
  const [over, layOver] = useOver(`${sheetPlace}/${stageId}`);
  const ready = work !== null;
  const palette = useTheme((state) => state.palette);
  useEffect(
    () => (ready ? prepareFigures(nearestFirst(lesson, index), palette) : undefined),
    [ready, lesson, index, palette],
  );
  const [wide, setWide] = useStateOf(sheetPlace, false);
  const navigate = useNavigate();
  const present = (): void =>
    void navigate(
      `/present-reading/${lesson.lesson}/${sheet.id}?stage=${stageId}${wanted ? `&edition=${wanted}` : ''}`,
      {
        state: { own: { place: `${sheet.id}/${stageId}`, figure: scene.document } } satisfies PresentState,
      },
    );
  useSingleKey('q', () => alone === undefined && present());
  const { error } = query;
  // What is here already can be read while the server is away.
  const isAway =
    error instanceof NotConnected || (error instanceof ApiProblem && error.problem.status >= 500);
  if (error && !isAway) return <Failure error={error} onRetry={() => void query.refetch()} />;

  const addressOf = (id: string): string =>
    `/read/${lesson.lesson}/${id}${wanted ? `?edition=${wanted}` : ''}`;
  const previous = lesson.sheets[index - 1];
  const next = lesson.sheets[index + 1];
  const goBack = (): void => {
    const command = edited && startOver(edited.store.getState().history.document, start);
    if (command) edited.do(command);
  };
  return (
    <SheetLayout
      sheet={sheetPlace}
      wide={wide}
      bar={
        <TopBar
          place={
            <>
              {alone === undefined ? (
                <Link
                  to="/class"
                  className="hidden truncate text-soft underline-offset-4 hover:underline sm:inline"
                >
                  {lesson.courseTitle}
                </Link>
              ) : (
                <span className="hidden truncate text-soft sm:inline">{lesson.courseTitle}</span>
              )}
              <span aria-hidden className="hidden text-soft sm:inline">
                /
              </span>
              <span className="truncate font-semibold">{lesson.title}</span>
            </>
          }
          isAlone={alone !== undefined}
          middle={
            lesson.sheets.length > 1 && (
              <ProgressLine sheets={lesson.progress} current={sheet.id} addressOf={addressOf} />
            )
          }
          end={
            <>
              {edited && <SaveState edited={edited} />}
              {alone}
            </>
          }
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
          {lesson.progress[index]!.earlier !== null && (
            <div className="flex flex-wrap items-center gap-x-4 border-b border-line bg-tint px-4 py-1 text-[13px]">
              <span>{t('reader.earlierWork', { number: lesson.progress[index]!.earlier })}</span>
              <Link
                to={`/read/${lesson.lesson}/${sheet.id}?edition=${lesson.progress[index]!.earlier}`}
                target="_blank"
                className="text-accent underline underline-offset-4"
              >
                {t('reader.openBeside')}
              </Link>
            </div>
          )}
          {error && (
            <div
              role="alert"
              className="flex items-center gap-4 border-b border-line bg-tint px-4 py-1 text-[13px]"
            >
              <span>{t('reader.notOpened')}</span>
              <Button quiet onClick={() => void query.refetch()}>
                {t('app.again')}
              </Button>
            </div>
          )}
          {edited && <SaveNotice edited={edited} />}
        </>
      }
      text={
        <Glossed prose={sheet.prose} terms={lesson.terms}>
          <FigureOfText value={scene}>
            <SheetText
              key={sheetPlace}
              sheet={sheet}
              number={index + 1}
              count={lesson.sheets.length}
              task={sheet.tasks.map((task) =>
                task.stage !== stageId ? (
                  <TaskElsewhere key={task.id} stages={stages} stage={task.stage} onGo={goToStage} />
                ) : work ? (
                  <LazyTaskCard
                    key={task.id}
                    task={task}
                    sheet={sheet}
                    start={start}
                    scene={scene}
                    kept={keptAnswer(work, task.id) ?? lesson.progress[index]!.answers[task.id]}
                    mixing={work.id}
                    isAlone={alone !== undefined}
                    onAnswer={(answer) => keepAnswer(work, task.id, answer)}
                    onOver={layOver}
                    passed={lesson.progress[index]!.passed.includes(task.id)}
                    best={lesson.progress[index]!.best[task.id]}
                    onCheck={async () => {
                      const results = await checkOnServer(work, task.id);
                      await client.invalidateQueries({ queryKey: ['read', lesson.lesson] });
                      return results;
                    }}
                    solution={solutionOf(task)}
                    isAway={isShown}
                    startOver={
                      task.kind === 'shape' && <Button onClick={goBack}>{t('sheet.startOver')}</Button>
                    }
                  />
                ) : (
                  <TaskToRead key={task.id} task={task} sheet={sheet} />
                ),
              )}
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
          </FigureOfText>
        </Glossed>
      }
      tools={
        <>
          {work && <WorkLife lesson={lesson.lesson} work={work} />}
          {work && (
            <Suspense>
              <PrintedSheet
                course={lesson.courseTitle}
                lesson={lesson.title}
                sheet={sheet}
                number={index + 1}
                count={lesson.sheets.length}
              />
            </Suspense>
          )}
          {edited && <UndoButtons edited={edited} />}
          {edited && !sheet.tasks.some(({ stage, kind }) => stage === stageId && kind === 'shape') && (
            <Button quiet onClick={goBack}>
              {t('sheet.startOver')}
            </Button>
          )}
          {work && start.readersMay && (
            <Suspense>
              <FreedomTools scene={scene} start={start} />
            </Suspense>
          )}
          <span className="flex-1" />
          {work && (
            <Suspense>
              <KeepCopy
                key={`${sheetPlace}/${stageId}`}
                place={`${sheetPlace}/${stageId}`}
                scene={scene}
                onOver={layOver}
              />
            </Suspense>
          )}
          {alone === undefined && (
            <>
              {work && <ToBench who="student" name={sheet.title} figure={() => scene.document} />}
              <Button quiet title={t('reader.presentHelp')} onClick={present}>
                {t('reader.present')}
              </Button>
            </>
          )}
          <Button quiet pressed={wide} onClick={() => setWide(!wide)}>
            {wide ? t('sheet.showProse') : t('sheet.wholeFigure')}
          </Button>
        </>
      }
      figure={
        <FigureView
          scene={scene}
          over={over}
          bar={
            !work &&
            !isLookedAt &&
            !error && (
              <p role="status" className="shown-late absolute top-2 left-4 font-serif text-[15px] text-soft">
                {t('reader.openingWork')}
              </p>
            )
          }
        />
      }
      stages={stages.length > 1 && <StageStep stages={stages} current={stageId} onGo={goToStage} />}
      rail={<Rail scene={scene} />}
    />
  );
}

/** The figures of the other sheets of a lesson as they will be opened, the next one first. */
function nearestFirst({ sheets, edition }: Answer<'readLesson'>, index: number): FigureDocument[] {
  return sheetsByNearness(sheets, index).map(
    (sheet) => lastSeen({ edition: edition.id, sheet: sheet.id, stage: sheet.stages[0]!.id }) ?? sheet.figure,
  );
}
