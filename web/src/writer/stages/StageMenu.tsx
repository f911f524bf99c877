import {
  figureOfStage,
  leaveOut,
  lessonLimits,
  mergeWithNext,
  moveStage,
  removeStage,
  splitStage,
  stageStates,
  type LessonCommand,
  type Sheet,
  type Stage,
} from '@bogen/core/lesson';
import { applyFigureCommand, type FigureCommand, type FigureDocument } from '@bogen/core/figure';
import { EllipsisVertical, Scissors, X } from 'lucide-react';
import { useState } from 'react';
import { newId } from '../../saving/newId.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { IconButton } from '../../ui/IconButton.js';
import { Popup } from '../../ui/Popup.js';
import type { EditedDraft } from '../draft.js';
import { newPrediction } from '../tasks/newTask.js';
import { TypedText } from '../tasks/TypedText.js';
import { captionOf } from './caption.js';

interface StageMenuProps {
  readonly sheet: Sheet;
  readonly edited: EditedDraft;
  readonly stage: Stage;
  readonly onAct: (command: LessonCommand | undefined, goTo?: string) => void;
}

/** What is done at a stage, change by change, and what can be done with the stage itself. */
export function StageMenu({ sheet, edited, stage, onAct }: StageMenuProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const index = sheet.stages.indexOf(stage);
  const neighbour = sheet.stages[index - 1] ?? sheet.stages[index + 1];
  const row = (label: string, command: LessonCommand | undefined, goTo?: string) =>
    command && (
      <Button
        quiet
        className="justify-start"
        onClick={() => {
          setOpen(false);
          onAct(command, goTo);
        }}
      >
        {label}
      </Button>
    );
  const before = sheet.stages[index - 1]?.id;
  const predict = (): LessonCommand => ({
    name: 'changeTasks',
    sheet: sheet.id,
    at: sheet.tasks.length,
    remove: 0,
    insert: [newPrediction(sheet, before!, stage.id, figureOfStage(sheet, stage.id).rail.item)],
  });
  return (
    <Popup
      label={t('stageEditor.more')}
      open={open}
      onOpen={setOpen}
      trigger={
        <Button quiet className="px-1.5" aria-label={t('stageEditor.more')} title={t('stageEditor.more')}>
          <EllipsisVertical aria-hidden size={15} />
        </Button>
      }
    >
      {open && (
        <div className="flex w-[340px] max-w-full flex-col gap-1 text-[13px]" data-stage-menu>
          {index === 0 ? (
            <p className="px-2.5 py-1 text-soft">{t('stageEditor.first')}</p>
          ) : (
            <Changes sheet={sheet} stage={stage} onAct={onAct} />
          )}
          <TypedText
            edited={edited}
            label={t('stageEditor.notes')}
            value={stage.notes ?? ''}
            most={4000}
            className="mx-1.5 min-h-7 border border-line py-1"
            onChange={(notes) => edited.do({ name: 'setStageText', sheet: sheet.id, stage: stage.id, notes })}
          />
          {index > 0 &&
            sheet.tasks.length < lessonLimits.tasks &&
            row(t('stageEditor.predict'), predict(), before)}
          {row(t('stageEditor.moveLeft'), moveStage(sheet, stage.id, index - 1))}
          {row(t('stageEditor.moveRight'), moveStage(sheet, stage.id, index + 1))}
          {index > 0 &&
            row(t('stageEditor.merge'), mergeWithNext(sheet, stage.id), sheet.stages[index + 1]?.id)}
          {row(t('stageEditor.remove'), removeStage(sheet, stage.id, 'keepChanges'), neighbour?.id)}
          {index > 0 &&
            row(t('stageEditor.removeChanges'), removeStage(sheet, stage.id, 'dropChanges'), neighbour?.id)}
        </div>
      )}
    </Popup>
  );
}

/** The changes that lead to a stage, each in words, to be left out or to begin a stage of their own. */
function Changes({ sheet, stage, onAct }: { sheet: Sheet; stage: Stage; onAct: StageMenuProps['onAct'] }) {
  const { t } = useTranslation();
  const words = useWords(sheet, stage);
  return (
    <>
      <h3 className="px-2.5 pt-1 font-semibold">{t('stageEditor.done')}</h3>
      {words.length === 0 && <p className="px-2.5 text-soft">{t('stageEditor.nothing')}</p>}
      <ol className="max-h-[220px] overflow-y-auto">
        {words.map((word, at) => (
          <li key={at} className="flex items-start gap-1 px-2.5 py-0.5">
            <span className="flex-1">{word}</span>
            {at > 0 && (
              <IconButton
                label={t('stageEditor.splitHere')}
                onPress={() =>
                  onAct(splitStage(sheet, stage.id, at, { id: newId(), caption: words[at - 1]! }))
                }
              >
                <Scissors size={14} />
              </IconButton>
            )}
            <IconButton
              label={t('stageEditor.leaveOut')}
              onPress={() => onAct(leaveOut(sheet, stage.id, at))}
            >
              <X size={14} />
            </IconButton>
          </li>
        ))}
      </ol>
    </>
  );
}

/** Each change of a stage in words, with what it changed where that can be measured. */
function useWords(sheet: Sheet, stage: Stage): string[] {
  const { t } = useTranslation();
  const states = stageStates(sheet);
  const index = sheet.stages.indexOf(stage);
  let now: FigureDocument | undefined = states[index - 1]?.figure;
  const plain = (command: FigureCommand): string => {
    const { name } =
      command.name === 'batch' ? (command.commands[0] ?? { name: 'setView' as const }) : command;
    return t(`stageEditor.did.${name}`);
  };
  return stage.commands.map((command) => {
    if (!now) return plain(command);
    try {
      const before: FigureDocument = now;
      now = applyFigureCommand(now, command).document;
      return captionOf(command, before, now, t) || plain(command);
    } catch {
      now = undefined;
      return plain(command);
    }
  });
}
