import {
  applyFigureCommand,
  keepingLocks,
  touchesOfFigureCommand,
  startOver,
  type FigureCommand,
  type FigureDocument,
} from '@bogen/core/figure';
import { type Sheet } from '@bogen/core/lesson';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { FigureView } from '../figure/view/FigureView.js';
import { useScene } from '../figure/scene/useScene.js';
import { Rail } from '../rail/Rail.js';
import { looseHost } from '../reader/workHost.js';
import { EditedDocument } from '../saving/editedDocument.js';
import { freshState } from '../saving/state.js';
import { UndoButtons } from '../saving/SaveState.js';
import { useEdited, useUndoKeys } from '../saving/useEdited.js';
import { ProgressLine } from '../sheet/ProgressLine.js';
import { SheetLayout } from '../sheet/SheetLayout.js';
import { SheetText } from '../sheet/SheetText.js';
import { TaskCard } from '../sheet/TaskCard.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Failure, Loading } from '../ui/States.js';
import { TopBar } from '../ui/TopBar.js';
import type { OpenDraft } from './draft.js';
import { useDraft } from './WriterPage.js';

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
  const sheet = sheets[index]!;
  const edited = useMemo(
    () =>
      new EditedDocument<FigureDocument, FigureCommand>({
        initial: freshState(sheet.figure),
        apply: applyFigureCommand,
        onStale: 'merge',
        touches: touchesOfFigureCommand,
      }),
    [sheet.figure],
  );
  const host = useMemo(() => looseHost(edited, sheet.figure, keepingLocks), [edited, sheet.figure]);
  const scene = useScene(host);
  useUndoKeys(edited);
  const addressOf = (id: string): string => `/preview/${draft.id}/${id}`;
  const over = (): void => {
    const command = startOver(edited.store.getState().history.document, sheet.figure);
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
          end={<span className="text-[13px] text-soft">{t('writer.previewNote')}</span>}
        />
      }
      text={
        <SheetText
          sheet={sheet}
          number={index + 1}
          count={sheets.length}
          task={
            sheet.task && (
              <TaskCard
                task={sheet.task}
                start={sheet.figure}
                scene={scene}
                passed={false}
                startOver={<Button onClick={over}>{t('sheet.startOver')}</Button>}
              />
            )
          }
          links={<span />}
        />
      }
      tools={<UndoButtons edited={edited} />}
      figure={<FigureView scene={scene} />}
      rail={<Rail scene={scene} />}
    />
  );
}
