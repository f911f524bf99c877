import '../text/enEditing.js';
import { isLoose, looseOf, type PointKind } from '@bogen/core/figure';
import { useMemo, useRef, type ReactNode } from 'react';
import { pointName } from '../figure/scene/names.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { FigureView } from '../figure/view/FigureView.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { useStateOf } from '../ui/useStateOf.js';
import { useClipboard } from './clipboard/useClipboard.js';
import { DrawBar } from './draw/DrawBar.js';
import { DrawLayer } from './draw/DrawLayer.js';
import { useDrawing } from './draw/useDrawing.js';
import { useDroppedFile } from './exchange/useDroppedFile.js';
import { FigureMenu } from './FigureMenu.js';
import { FigurePanels } from './FigurePanels.js';
import { FigureTools, type Mode } from './FigureTools.js';
import { removeSelected } from './items/removeSelected.js';
import { JointMarks } from './joints/JointMarks.js';
import { useFigureKeys } from './keys/useFigureKeys.js';
import { KnotAdder } from './knot/KnotAdder.js';
import type { PanelName } from './panels.js';
import { PinMarks } from './parameter/PinMarks.js';
import { pointToRemove, removePoint } from './points/removePoint.js';
import { SelectionBar } from './select/SelectionBar.js';
import { StartHandle } from './start/StartHandle.js';
import { WeightHandles } from './weights/WeightHandles.js';

/** The panel that is open, and the item of its details where it is not the rail's curve. */
interface OpenPanel {
  readonly name: PanelName | null;
  readonly item: string | null;
}

const noPanel: OpenPanel = { name: null, item: null };

interface FigureEditingOptions {
  readonly scene: FigureScene;
  /** Names what the figure belongs to: with another one, panels begin anew. */
  readonly place: string;
  /** Undo and redo, of whatever document the figure is in. */
  readonly undo: ReactNode;
  /** Whether points are said here to be loose or fixed for readers. */
  readonly frees: boolean;
  /** Shows it large, for a class; not there where it can't be. */
  readonly present?: () => void;
}

/** A figure with every tool, in three parts that a page puts in their places. */
export interface FigureEditing {
  readonly tools: ReactNode;
  readonly figure: ReactNode;
  readonly panels: ReactNode;
  /** Says something to whoever can't see it. */
  readonly say: (words: string) => void;
}

/** Everything with which a figure is drawn and changed, on whatever page it stands. */
export function useFigureEditing({
  scene,
  place,
  undo,
  frees,
  present,
}: FigureEditingOptions): FigureEditing {
  const { t } = useTranslation();
  const told = useTold();
  const [mode, setMode] = useStateOf<Mode>(scene, 'move');
  const [said, say] = useStateOf(scene, '');
  const drawing = useDrawing(scene);
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
  const [dropped, setDropped] = useStateOf<File | null>(scene, null);
  useDroppedFile((file) => {
    setDropped(file);
    setPanel({ name: 'exchange', item: null });
  });
  const presentNow = useRef(present);
  presentNow.current = present;
  const actions = useMemo(
    () => ({
      present: () => presentNow.current?.(),
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
  return {
    say,
    tools: drawing.tool ? (
      <DrawBar drawing={drawing} />
    ) : (
      <FigureTools
        undo={undo}
        scene={scene}
        mode={mode}
        onMode={frees ? setMode : undefined}
        drawing={drawing}
        clipboard={clipboard}
        panel={panel.name}
        onPanel={openPanel}
      />
    ),
    figure: (
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
    ),
    panels: (
      <>
        <p role="status" aria-live="polite" className="sr-only">
          {said}
        </p>
        <FigurePanels
          key={place}
          scene={scene}
          panel={panel.name}
          item={panel.item}
          dropped={dropped}
          onSay={say}
          onPanel={openPanel}
        />
      </>
    ),
  };
}
