import '../text/enEditing.js';
import { ToBench } from '../bench/ToBench.js';
import { useFigureEditing } from '../editing/useFigureEditing.js';
import { allowanceFor, type Allowance, applyFigureCommand, leavesShape } from '@bogen/core/figure';
import {
  addStage,
  figureOfStage,
  sheetOf,
  sheetOfCommand,
  type LessonCommand,
  type Told,
} from '@bogen/core/lesson';
import { History as HistoryIcon, Subscript } from 'lucide-react';
import { Fragment, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { prepareFigures, sheetsByNearness } from '../sheet/prepare.js';
import type { FigureHost } from '../figure/scene/host.js';
import { newId } from '../saving/newId.js';
import { useStagedScene } from '../stage/useStagedScene.js';
import { useStageInAddress } from '../stage/useStageInAddress.js';
import { Rail } from '../rail/Rail.js';
import { SaveNotice, SaveState, UndoButtons } from '../saving/SaveState.js';
import { useEdited, useEditedLife, useUndoKeys } from '../saving/useEdited.js';
import { SheetLayout } from '../sheet/SheetLayout.js';
import { useNotationOf } from '../text/notation.js';
import { useTranslation } from '../text/text.js';
import { useTheme } from '../theme/theme.js';
import { Button } from '../ui/Button.js';
import { TopBar } from '../ui/TopBar.js';
import { useStateOf } from '../ui/useStateOf.js';
import { ConflictPanel } from './ConflictPanel.js';
import type { OpenDraft } from './draft.js';
import { sheetHost, type SheetTeller } from './sheetHost.js';
import { FigureOfText } from '../live/FigureOfText.js';
import { HistoryPanel } from './history/HistoryPanel.js';
import { OtherWriters } from './history/OtherWriters.js';
import { LazyProseEditor } from './prose/LazyProseEditor.js';
import { NotationPanel } from './NotationPanel.js';
import { Publish } from './Publish.js';
import { RoomNotice } from './RoomNotice.js';
import { SheetList } from './SheetList.js';
import { captionOf } from './stages/caption.js';
import { StageEditor } from './stages/StageEditor.js';
import { Tasks } from './tasks/Tasks.js';
import { TitleField } from './TitleField.js';

const noStages = [{ id: '', caption: '', commands: [] }];

/**
 * One sheet being written: text and task on the left, the figure on the right. The page stays with every sheet of the lesson; what
 * belongs to one goes with its scene or by its key.
 */
export function WriterSheet({ draft, sheetId }: { draft: OpenDraft; sheetId: string }) {
  const { t } = useTranslation();
  const { edited } = draft;
  const tell = useRef<(words: string) => void>(() => undefined);
  const refuse = useRef<(why: Told | null) => void>(() => undefined);
  const did = useRef<NonNullable<SheetTeller['did']>>(() => undefined);
  const capture = useRef<NonNullable<SheetTeller['capture']>>(() => false);
  const sheet = useEdited(edited, (state) => sheetOf(state.history.document, sheetId));
  const [stageId, goToStage] = useStageInAddress(sheetId, sheet?.stages ?? noStages);
  const hosts = useMemo(() => new Map<string, FigureHost>(), [edited, sheetId]);
  let host = hosts.get(stageId);
  if (!host) {
    host = sheetHost(edited, sheetId, stageId, {
      tell: (words) => tell.current(words),
      refuse: (why) => refuse.current(why),
      did: (...change) => did.current(...change),
      capture: (...change) => capture.current(...change),
    });
    hosts.set(stageId, host);
  }
  const scene = useStagedScene(sheetId, host, sheet?.stages.length ?? 1);
  refuse.current = (told) => {
    const { left, right, bottom, top } = scene.view;
    scene.previews.setRefused(told && { told, at: [(left + right) / 2, (bottom + top) / 2] });
  };
  const title = useEdited(edited, (state) => state.history.document.title);
  useNotationOf(useEdited(edited, (state) => state.history.document.notation));
  useEditedLife(edited);
  const palette = useTheme((state) => state.palette);
  useEffect(() => {
    const { sheets } = edited.store.getState().history.document;
    const index = sheets.findIndex(({ id }) => id === sheetId);
    return prepareFigures(
      sheetsByNearness(sheets, index).map(({ figure }) => figure),
      palette,
    );
  }, [edited, sheetId, palette]);
  const navigate = useNavigate();
  // What is undone is seen: the sheet that it changes comes into view.
  const showSheet = (effect: LessonCommand): void => {
    const changed = sheetOfCommand(effect);
    if (changed && changed !== sheetId && sheetOf(edited.store.getState().history.document, changed))
      void navigate(`/write/${draft.id}/${changed}`);
    else if (changed === sheetId) {
      const stage = stageOfEffect(effect);
      if (stage && sheet?.stages.some(({ id }) => id === stage)) goToStage(stage);
    }
  };
  useUndoKeys(edited, showSheet);
  const presentAddress = `/present/${draft.id}/${sheetId}?stage=${stageId}`;
  const present = (): void => {
    edited.finishTyping();
    void navigate(presentAddress);
  };
  const editing = useFigureEditing({
    present,
    scene,
    place: sheetId,
    undo: <UndoButtons edited={edited} narrow onEffect={showSheet} />,
    frees: true,
  });
  tell.current = editing.say;
  const [gesture, setGesture] = useStateOf<Allowance | null>(host, null);
  did.current = (command, before) => setGesture(allowanceFor(command, before) ?? null);
  const [showsHistory, setHistory] = useState(false);
  const [showsNotation, setNotation] = useState(false);
  const [captures, setCaptures] = useStateOf(sheetId, false);
  capture.current = (now, command) => {
    if (!captures || leavesShape(command)) return false;
    const before = figureOfStage(now, stageId);
    const id = newId();
    const caption = captionOf(command, before, applyFigureCommand(before, command).document, t);
    edited.do(addStage(now, stageId, { id, caption, commands: [command] }));
    goToStage(id);
    return true;
  };
  if (!sheet) return null;

  return (
    <>
      <SheetLayout
        sheet={sheetId}
        bar={
          <TopBar
            place={
              <>
                <Link to="/shelf" className="truncate text-soft underline-offset-4 hover:underline">
                  {draft.course.title}
                </Link>
                <span aria-hidden className="text-soft">
                  /
                </span>
                <TitleField
                  label={t('writer.lessonTitle')}
                  value={title}
                  edited={edited}
                  onChange={(next) => edited.do({ name: 'setTitle', title: next })}
                  className="min-w-0 flex-1 text-[13px] font-semibold"
                />
              </>
            }
            end={
              <>
                <OtherWriters
                  lesson={draft.id}
                  sheet={sheetId}
                  titleOf={(id) => sheetOf(edited.store.getState().history.document, id)?.title}
                />
                <SaveState edited={edited} />
                <Button
                  quiet
                  className="px-1.5"
                  aria-label={t('lessonHistory.history')}
                  title={t('lessonHistory.history')}
                  onClick={() => setHistory(true)}
                >
                  <HistoryIcon aria-hidden size={16} />
                </Button>
                <Button
                  quiet
                  className="px-1.5"
                  aria-label={t('writer.notation')}
                  title={t('writer.notation')}
                  onClick={() => setNotation(true)}
                >
                  <Subscript aria-hidden size={16} />
                </Button>
                <ToBench who="instructor" name={sheet.title} figure={() => scene.document} />
                <Link
                  to={`/preview/${draft.id}/${sheetId}`}
                  className="inline-flex h-7 items-center rounded-md px-2.5 text-[13px] font-medium whitespace-nowrap hover:bg-tint"
                >
                  {t('writer.asStudent')}
                </Link>
                <Link
                  to={presentAddress}
                  title={t('writer.presentHelp')}
                  className="inline-flex h-7 items-center rounded-md px-2.5 text-[13px] font-medium whitespace-nowrap hover:bg-tint"
                >
                  {t('writer.present')}
                </Link>
                <Publish draft={draft} />
              </>
            }
          />
        }
        notice={
          <>
            <SaveNotice edited={edited} />
            <RoomNotice edited={edited} />
          </>
        }
        text={
          <div className="flex flex-1 flex-col px-8 pt-3 pb-4 lg:min-h-0">
            <h1 className="sr-only">{title}</h1>
            <SheetList edited={edited} lesson={draft.id} current={sheetId} />
            <Fragment key={sheetId}>
              <h2 className="sr-only">{sheet.title}</h2>
              <TitleField
                label={t('writer.sheetTitle')}
                value={sheet.title}
                edited={edited}
                onChange={(next) => {
                  if (sheetOf(edited.store.getState().history.document, sheetId))
                    edited.do({ name: 'setSheetTitle', sheet: sheetId, title: next });
                }}
                className="mt-4 shrink-0 font-serif text-[25px] leading-[1.15] font-medium"
                multiline
              />
              <div className="flex-1 pb-4 lg:min-h-[150px] lg:overflow-y-auto">
                <FigureOfText value={scene}>
                  <LazyProseEditor edited={edited} sheet={sheetId} />
                </FigureOfText>
              </div>
              <Tasks edited={edited} sheet={sheet} stage={stageId} scene={scene} onGo={goToStage} />
            </Fragment>
          </div>
        }
        tools={editing.tools}
        figure={editing.figure}
        stages={
          <StageEditor
            edited={edited}
            sheet={sheet}
            current={stageId}
            onGo={goToStage}
            captures={captures}
            onCapture={setCaptures}
            scene={scene}
            gesture={gesture}
            onLet={() => setGesture(null)}
          />
        }
        rail={<Rail scene={scene} />}
      />
      {editing.panels}
      {showsHistory && <HistoryPanel lesson={draft.id} edited={edited} onClose={() => setHistory(false)} />}
      {showsNotation && <NotationPanel edited={edited} scene={scene} onClose={() => setNotation(false)} />}
      <ConflictPanel draft={draft} />
    </>
  );
}

/** The stage that an undo or redo changed, where it changed one. */
function stageOfEffect(effect: LessonCommand): string | undefined {
  if (effect.name === 'stageCommands' || effect.name === 'setStageText') return effect.stage;
  return effect.name === 'changeStages' ? effect.insert.at(-1)?.id : undefined;
}
