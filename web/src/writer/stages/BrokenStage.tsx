import { itemOf, type FigureDocument } from '@bogen/core/figure';
import {
  leaveOut,
  takeAsKept,
  type LessonCommand,
  type Sheet,
  type StageState,
  type Told,
} from '@bogen/core/lesson';
import { useTold } from '../../text/told.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';

interface BrokenStageProps {
  readonly sheet: Sheet;
  readonly stage: string;
  readonly broken: NonNullable<StageState['broken']>;
  /** What it last showed. */
  readonly shown: FigureDocument;
  readonly onAct: (command: LessonCommand | undefined) => void;
}

/** Why a stage does not follow any more, and the two ways to mend it. */
export function BrokenStage({ sheet, stage, broken, shown, onAct }: BrokenStageProps) {
  const { t } = useTranslation();
  const tell = useTold();
  return (
    <div role="alert" className="flex flex-wrap items-center gap-2 text-[13px]" data-broken-stage>
      <span className="min-w-0 flex-1 basis-80 text-bad">
        {t('stageEditor.broken', { reason: tell(named(broken.told, shown)) })}
      </span>
      <Button onClick={() => onAct(leaveOut(sheet, stage, broken.command))}>
        {t('stageEditor.brokenLeave')}
      </Button>
      <Button onClick={() => onAct(takeAsKept(sheet, stage))}>{t('stageEditor.brokenKeep')}</Button>
    </div>
  );
}

/** A reason that speaks of an item by the name that it last had. */
function named(told: Told, shown: FigureDocument): Told {
  const { id } = told.parameters;
  const name = typeof id === 'string' ? itemOf(shown, id)?.name : undefined;
  return name === undefined ? told : { ...told, parameters: { ...told.parameters, id: name } };
}
