import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';

/** What can be done with the selected points, on the figure's upper edge. */
export function SelectionBar({ scene, onSeveral }: { scene: FigureScene; onSeveral: () => void }) {
  const { t } = useTranslation();
  useParts(scene.structured, scene.selected);
  const { grips: selection, selecting } = scene.selected;
  if (selection.length === 0 && !selecting) return null;
  return (
    <div
      className="absolute top-1.5 left-1/2 z-10 flex -translate-x-1/2 items-center gap-1 rounded-md border border-line bg-sheet py-0.5 pr-1 pl-2.5 text-[13px] whitespace-nowrap"
      data-selection-bar
    >
      <span role="status">
        {selection.length > 0 ? t('select.title', { count: selection.length }) : t('select.selectHelp')}
      </span>
      {selection.length > 0 && (
        <>
          <Button quiet onClick={onSeveral}>
            {t('select.several')} …
          </Button>
          <Button quiet onClick={() => scene.selected.select([])}>
            {t('select.clear')}
          </Button>
        </>
      )}
    </div>
  );
}
