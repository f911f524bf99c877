import {
  addStage,
  lessonLimits,
  moveStage,
  sheetOf,
  stageStates,
  type LessonCommand,
  type Sheet,
} from '@bogen/core/lesson';
import { CircleDot, Plus } from 'lucide-react';
import type { Allowance } from '@bogen/core/figure';
import type { FigureScene } from '../../figure/scene/scene.js';
import { newId } from '../../saving/newId.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { StepButtons } from '../../stage/StepButtons.js';
import type { EditedDraft } from '../draft.js';
import { TypedText } from '../tasks/TypedText.js';
import { BrokenStage } from './BrokenStage.js';
import { ReadersMay } from './ReadersMay.js';
import { StageCards } from './StageCards.js';
import { StageMenu } from './StageMenu.js';

interface StageEditorProps {
  readonly edited: EditedDraft;
  readonly sheet: Sheet;
  /** The stage that is seen. */
  readonly current: string;
  readonly onGo: (stage: string) => void;
  /** Whether every change of shape becomes a stage. */
  readonly captures: boolean;
  readonly onCapture: (captures: boolean) => void;
  readonly scene: FigureScene;
  /** What readers would have to be let do, to do what was just done here. */
  readonly gesture: Allowance | null;
  readonly onLet: () => void;
}

/** The stages of a sheet while it is written: what each shows and says, and the row to reorder. */
export function StageEditor({
  edited,
  sheet,
  current,
  onGo,
  captures,
  onCapture,
  scene,
  gesture,
  onLet,
}: StageEditorProps) {
  const { t } = useTranslation();
  const { stages } = sheet;
  const index = Math.max(
    0,
    stages.findIndex(({ id }) => id === current),
  );
  const stage = stages[index]!;
  const states = stageStates(sheet);
  const isFull = stages.length >= lessonLimits.stages;
  const latest = (): Sheet => sheetOf(edited.store.getState().history.document, sheet.id) ?? sheet;
  const act = (command: LessonCommand | undefined, goTo?: string): void => {
    if (!command) return;
    edited.finishTyping();
    edited.do(command);
    if (goTo) onGo(goTo);
  };
  const add = (): void => {
    const id = newId();
    edited.finishTyping();
    act(addStage(latest(), stage.id, { id, caption: '', commands: [] }), id);
  };
  const go = (to: number): void => {
    const next = stages[to];
    if (next) onGo(next.id);
  };
  return (
    <section
      aria-label={t('stages.stages')}
      className="flex shrink-0 flex-col gap-1 border-t border-line bg-sheet px-4 py-1.5 text-[13px]"
      data-stage-editor
    >
      {/* On a phone the caption has a row of its own. */}
      <div className="flex flex-wrap items-center gap-x-2 sm:flex-nowrap">
        <span className="flex-1 font-semibold whitespace-nowrap sm:flex-none">
          {t('stages.of', { number: index + 1, count: stages.length })}
        </span>
        <TypedText
          key={stage.id}
          edited={edited}
          line
          label={t('stageEditor.caption')}
          placeholder={t('stageEditor.noCaption')}
          value={stage.caption}
          most={400}
          className="order-last min-w-0 basis-full sm:order-none sm:flex-1 sm:basis-0"
          onChange={(caption) =>
            edited.do({ name: 'setStageText', sheet: sheet.id, stage: stage.id, caption })
          }
        />
        <Button
          quiet
          pressed={captures}
          title={t('stageEditor.captureHelp')}
          onClick={() => onCapture(!captures)}
        >
          <CircleDot aria-hidden size={14} className={captures ? 'text-accent' : ''} />
          {t('stageEditor.capture')}
        </Button>
        <Button
          quiet
          disabled={isFull}
          title={isFull ? t('stageEditor.full', { most: lessonLimits.stages }) : undefined}
          onClick={add}
        >
          <Plus aria-hidden size={14} />
          {t('stageEditor.add')}
        </Button>
        {stages.length > 1 && (
          <span className="flex items-center gap-2">
            <StageMenu sheet={sheet} edited={edited} stage={stage} onAct={act} />
            <StepButtons index={index} count={stages.length} onGo={go} />
          </span>
        )}
      </div>
      {stages.length > 1 && (
        <StageCards
          sheet={sheet}
          states={states}
          current={stage.id}
          onGo={onGo}
          onMove={(id, to) => act(moveStage(latest(), id, to))}
        />
      )}
      {states[index]!.broken && (
        <BrokenStage
          sheet={sheet}
          stage={stage.id}
          broken={states[index]!.broken}
          shown={states[index]!.figure}
          onAct={act}
        />
      )}
      <ReadersMay scene={scene} gesture={gesture} onLet={onLet} />
    </section>
  );
}
