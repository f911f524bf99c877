import type { Answer } from '@bogen/contract';
import { keepingLocks, startOver, type FigureDocument } from '@bogen/core/figure';
import { figureOfStage, isVaried, steppedStages, variedSheet, type Sheet } from '@bogen/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { call } from '../api/call.js';
import { Link, useNavigate, useParams } from 'react-router';
import { FigureView } from '../figure/view/FigureView.js';
import type { FigureHost } from '../figure/scene/host.js';
import { StageStep } from '../stage/StageStep.js';
import { FreedomTools } from '../reader/tools/FreedomTools.js';
import { TaskElsewhere } from '../stage/TaskElsewhere.js';
import { useSolution } from '../stage/useSolution.js';
import { useStagedScene } from '../stage/useStagedScene.js';
import { useStageInAddress } from '../stage/useStageInAddress.js';
import { editedFigure } from '../saving/editedFigure.js';
import type { EditedFigure } from '../saving/ending.js';
import { Rail } from '../rail/Rail.js';
import { looseHost } from '../reader/workHost.js';
import { UndoButtons } from '../saving/SaveState.js';
import { useEdited, useUndoKeys } from '../saving/useEdited.js';
import { Glossed } from '../glossary/Glossed.js';
import { FigureOfText } from '../live/FigureOfText.js';
import { ProgressLine } from '../sheet/ProgressLine.js';
import { SheetLayout } from '../sheet/SheetLayout.js';
import { SheetText } from '../sheet/SheetText.js';
import { useOver } from '../task/useOver.js';
import { TaskCard } from '../task/TaskCard.js';
import { useNotationOf } from '../text/notation.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Failure, Loading } from '../ui/States.js';
import { useSingleKey } from '../ui/useSingleKey.js';
import type { PresentState } from '../stage/presentState.js';
import { TopBar } from '../ui/TopBar.js';
import type { OpenDraft } from './draft.js';
import { useDraft } from './WriterPage.js';

const noTerms: Answer<'terms'>['terms'] = [];

/** The draft as a student would see it. What is tried here is not kept. */
export function PreviewPage() {
  const draft = useDraft();
  if (draft.error) return <Failure error={draft.error} onRetry={() => void draft.refetch()} />;
  if (!draft.data) return <Loading />;
  return <Preview draft={draft.data} />;
}

function Preview({ draft }: { draft: OpenDraft }) {
  const { sheet: wanted } = useParams();
  const sheets = useEdited(draft.edited, (state) => state.history.document.sheets);
  useNotationOf(useEdited(draft.edited, (state) => state.history.document.notation));
  const index = Math.max(
    0,
    sheets.findIndex(({ id }) => id === wanted),
  );
  return <PreviewSheet key={sheets[index]!.id} draft={draft} sheets={sheets} index={index} />;
}

function PreviewSheet({
  draft,
  sheets,
  index,
}: {
  draft: OpenDraft;
  sheets: readonly Sheet[];
  index: number;
}) {
  const { t } = useTranslation();
  const written = sheets[index]!;
  const [seed, setSeed] = useState(1);
  const sheet = useMemo(() => variedSheet(written, seed), [written, seed]);
  const stages = steppedStages(sheet);
  const [stageId, goToStage] = useStageInAddress(sheet.id, stages);
  const { edited, host, start } = useTrial(sheet, stageId);
  const { host: seen, isShown, solutionOf } = useSolution(`${sheet.id}/${stageId}`, sheet, host);
  const scene = useStagedScene(sheet.id, seen, sheet.stages.length);
  const [over, layOver] = useOver(`${sheet.id}/${stageId}`);
  useUndoKeys(edited);
  const navigate = useNavigate();
  const present = (): void =>
    void navigate(`/present/${draft.id}/${sheet.id}?stage=${stageId}`, {
      state: {
        from: '/preview',
        own: { place: `${sheet.id}/${stageId}`, figure: scene.document },
      } satisfies PresentState,
    });
  useSingleKey('q', present);
  const terms = useQuery({
    queryKey: ['terms', draft.course.id],
    queryFn: ({ signal }) => call('terms', { params: { course: draft.course.id }, signal }),
  });
  const addressOf = (id: string): string => `/preview/${draft.id}/${id}`;
  const goBack = (): void => {
    const command = startOver(edited.store.getState().history.document, start);
    if (command) edited.do(command);
  };
  return (
    <SheetLayout
      sheet={sheet.id}
      bar={
        <TopBar
          place={
            <Link
              to={`/write/${draft.id}/${sheet.id}`}
              className="font-semibold underline-offset-4 hover:underline"
            >
              ← {t('writer.backToWriting')}
            </Link>
          }
          middle={
            <ProgressLine
              sheets={sheets.map(({ id, title }) => ({ sheet: id, title, progress: 'unopened' }))}
              current={sheet.id}
              addressOf={addressOf}
            />
          }
          end={
            <>
              {isVaried(written) && (
                <Button quiet title={t('writer.otherNumbersHelp')} onClick={() => setSeed(seed + 1)}>
                  {t('writer.otherNumbers')}
                </Button>
              )}
              <Button quiet title={t('writer.presentHelp')} onClick={present}>
                {t('writer.present')}
              </Button>
              <span className="text-[13px] text-soft">{t('writer.previewNote')}</span>
            </>
          }
        />
      }
      text={
        <Glossed prose={sheet.prose} terms={terms.data?.terms ?? noTerms}>
          <FigureOfText value={scene}>
            <SheetText
              sheet={sheet}
              number={index + 1}
              count={sheets.length}
              task={sheet.tasks.map((task) =>
                task.stage === stageId ? (
                  <TaskCard
                    key={`${task.id} ${seed}`}
                    task={task}
                    sheet={sheet}
                    mixing={String(seed)}
                    onOver={layOver}
                    start={start}
                    scene={scene}
                    passed={false}
                    solution={solutionOf(task)}
                    isAway={isShown}
                    startOver={
                      task.kind === 'shape' && <Button onClick={goBack}>{t('sheet.startOver')}</Button>
                    }
                  />
                ) : (
                  <TaskElsewhere key={task.id} stages={stages} stage={task.stage} onGo={goToStage} />
                ),
              )}
              links={<span />}
            />
          </FigureOfText>
        </Glossed>
      }
      tools={
        <>
          <UndoButtons edited={edited} />
          <FreedomTools scene={scene} start={start} />
        </>
      }
      figure={<FigureView scene={scene} over={over} />}
      stages={stages.length > 1 && <StageStep stages={stages} current={stageId} onGo={goToStage} />}
      rail={<Rail scene={scene} />}
    />
  );
}

/** What a student would do at a stage, tried and not kept, except while one is here. */
interface Trial {
  readonly edited: EditedFigure;
  readonly host: FigureHost;
  /** The figure as the stage gives it. */
  readonly start: FigureDocument;
}

function useTrial(sheet: Sheet, stage: string): Trial {
  const trials = useMemo(() => new Map<string, Trial>(), [sheet]);
  let trial = trials.get(stage);
  if (!trial) {
    const start = figureOfStage(sheet, stage);
    const edited = editedFigure(start);
    trial = { edited, host: looseHost(edited, start, keepingLocks), start };
    trials.set(stage, trial);
  }
  return trial;
}
