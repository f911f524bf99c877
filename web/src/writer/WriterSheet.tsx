import '../text/enEditing.js';
import { DrawBar } from '../editing/draw/DrawBar.js';
import { DrawLayer } from '../editing/draw/DrawLayer.js';
import { useDrawing } from '../editing/draw/useDrawing.js';
import {
  allowanceFor,
  type Allowance,
  applyFigureCommand,
  isLoose,
  leavesShape,
  looseOf,
  type PointKind,
} from '@bogen/core/figure';
import {
  addStage,
  figureOfStage,
  sheetOf,
  sheetOfCommand,
  type LessonCommand,
  type Told,
} from '@bogen/core/lesson';
import { Fragment, useEffect, useMemo, useRef } from 'react';
import { useClipboard } from '../editing/clipboard/useClipboard.js';
import { useFigureKeys } from '../editing/keys/useFigureKeys.js';
import { SelectionBar } from '../editing/select/SelectionBar.js';
import { Link, useNavigate } from 'react-router';
import { FigureView } from '../figure/view/FigureView.js';
import { pointName } from '../figure/scene/names.js';
import { prepareFigures, sheetsByNearness } from '../sheet/prepare.js';
import type { FigureHost } from '../figure/scene/host.js';
import { newId } from '../saving/newId.js';
import { useStagedScene } from '../stage/useStagedScene.js';
import { useStageInAddress } from '../stage/useStageInAddress.js';
import { Rail } from '../rail/Rail.js';
import { SaveNotice, SaveState, UndoButtons } from '../saving/SaveState.js';
import { useEdited, useEditedLife, useUndoKeys } from '../saving/useEdited.js';
import { SheetLayout } from '../sheet/SheetLayout.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { useTheme } from '../theme/theme.js';
import { TopBar } from '../ui/TopBar.js';
import { useStateOf } from '../ui/useStateOf.js';
import { ConflictPanel } from './ConflictPanel.js';
import type { OpenDraft } from './draft.js';
import { sheetHost, type SheetTeller } from './draft.js';
import { FigureMenu } from '../editing/FigureMenu.js';
import { FigurePanels } from '../editing/FigurePanels.js';
import { FigureTools, type Mode } from '../editing/FigureTools.js';
import type { PanelName } from '../editing/panels.js';
import { JointMarks } from '../editing/joints/JointMarks.js';
import { KnotAdder } from '../editing/knot/KnotAdder.js';
import { StartHandle } from '../editing/start/StartHandle.js';
import { PinMarks } from '../editing/parameter/PinMarks.js';
import { WeightHandles } from '../editing/weights/WeightHandles.js';
import { pointToRemove, removePoint } from '../editing/points/removePoint.js';
import { removeSelected } from '../editing/items/removeSelected.js';
import { FigureOfText } from '../live/FigureOfText.js';
import { LazyProseEditor } from './prose/LazyProseEditor.js';
import { Publish } from './Publish.js';
import { SheetList } from './SheetList.js';
import { captionOf } from './stages/caption.js';
import { StageEditor } from './stages/StageEditor.js';
import { Tasks } from './tasks/Tasks.js';
import { TitleField } from './TitleField.js';

/** The panel that is open, and the item of its details where it is not the rail's curve. */
interface OpenPanel {
  readonly name: PanelName | null;
  readonly item: string | null;
}

const noStages = [{ id: '', caption: '', commands: [] }];

const noPanel: OpenPanel = { name: null, item: null };

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
  const [mode, setMode] = useStateOf<Mode>(scene, 'move');
  const [said, say] = useStateOf(scene, '');
  tell.current = say;
  const drawing = useDrawing(scene);
  const title = useEdited(edited, (state) => state.history.document.title);
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
  const [panel, setPanel] = useStateOf<OpenPanel>(scene, noPanel);
  const openPanel = (name: PanelName | null, item?: string): void => {
    setPanel({ name, item: item ?? null });
    // A curve that is asked about comes on the rail, which belongs to the same curve as the panels.
    const { document } = scene;
    if (item && item !== document.rail.item && (name === 'change' || name === 'table')) {
      scene.host.do({ name: 'setRail', rail: { ...document.rail, item } });
    }
  };
  const clipboard = useClipboard(scene, say);
  const told = useTold();
  const actions = useMemo(
    () => ({
      openKeys: () => setPanel({ name: 'keys', item: null }),
      openLook: () => setPanel({ name: 'look', item: null }),
      openSeveral: () => setPanel({ name: 'several', item: null }),
      removeSelected: () => {
        const point = pointToRemove(scene);
        if (point) void removePoint(scene, point, { say, tell: told });
        else removeSelected(scene, say);
      },
    }),
    [scene, setPanel, say, told],
  );
  useFigureKeys(scene, actions);
  const [gesture, setGesture] = useStateOf<Allowance | null>(host, null);
  did.current = (command, before) => setGesture(allowanceFor(command, before) ?? null);
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

  const toggle = (item: string, of: PointKind, index: number): void => {
    const figure = scene.document;
    const before = looseOf(figure, item)?.[of] ?? [];
    const loose = isLoose(figure, item, of, index);
    scene.host.do({
      name: 'setLoose',
      item,
      of,
      indices: loose ? before.filter((other) => other !== index) : [...before, index],
    });
    say(
      t('writer.toggled', {
        name: pointName(figure, item, of, index),
        state: loose ? t('figure.fixed') : t('figure.loose'),
      }),
    );
  };
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
                <SaveState edited={edited} />
                <Link
                  to={`/preview/${draft.id}/${sheetId}`}
                  className="inline-flex h-7 items-center rounded-md px-2.5 text-[13px] font-medium whitespace-nowrap hover:bg-tint"
                >
                  {t('writer.asStudent')}
                </Link>
                <Publish draft={draft} />
              </>
            }
          />
        }
        notice={<SaveNotice edited={edited} />}
        text={
          <div className="flex flex-1 flex-col px-8 pt-3 pb-4 lg:min-h-0">
            <h1 className="sr-only">{title}</h1>
            <SheetList edited={edited} lesson={draft.id} current={sheetId} />
            <Fragment key={sheetId}>
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
        tools={
          drawing.tool ? (
            <DrawBar drawing={drawing} />
          ) : (
            <FigureTools
              undo={<UndoButtons edited={edited} narrow onEffect={showSheet} />}
              scene={scene}
              mode={mode}
              onMode={setMode}
              drawing={drawing}
              clipboard={clipboard}
              panel={panel.name}
              onPanel={openPanel}
            />
          )
        }
        figure={
          <FigureView
            menu={
              drawing.tool
                ? undefined
                : (body) => (
                    <FigureMenu scene={scene} clipboard={clipboard} onPanel={openPanel}>
                      {body}
                    </FigureMenu>
                  )
            }
            bar={<SelectionBar scene={scene} onSeveral={() => openPanel('several')} />}
            scene={scene}
            over={(projection, pane) => (
              <>
                <JointMarks scene={scene} projection={projection} pane={pane} />
                <WeightHandles scene={scene} projection={projection} pane={pane} />
                <PinMarks scene={scene} projection={projection} pane={pane} />
                <StartHandle scene={scene} projection={projection} pane={pane} />
                <KnotAdder scene={scene} projection={projection} pane={pane} />
              </>
            )}
            onToggle={mode === 'loose' ? toggle : undefined}
            layer={
              drawing.tool
                ? (projection) => (
                    <DrawLayer drawing={drawing} scene={scene} projection={projection} onSay={say} />
                  )
                : undefined
            }
          />
        }
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
      <p role="status" aria-live="polite" className="sr-only">
        {said}
      </p>
      <FigurePanels key={sheetId} scene={scene} panel={panel.name} item={panel.item} onPanel={openPanel} />
      <ConflictPanel draft={draft} />
    </>
  );
}

/** The stage that an undo or redo changed, where it changed one. */
function stageOfEffect(effect: LessonCommand): string | undefined {
  if (effect.name === 'stageCommands' || effect.name === 'setStageText') return effect.stage;
  return effect.name === 'changeStages' ? effect.insert.at(-1)?.id : undefined;
}
