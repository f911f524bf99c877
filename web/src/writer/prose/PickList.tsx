import { useRef, useState, type ReactNode } from 'react';
import { isFound } from '../../ui/isFound.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Popup } from '../../ui/Popup.js';
import { SearchField } from '../../ui/SearchField.js';

/** The most that is listed at once; typing finds the others. */
const mostListed = 60;

interface PickListProps<Offer> {
  readonly label: string;
  readonly lead: string;
  readonly icon: ReactNode;
  readonly disabled?: boolean;
  readonly scene: FigureScene;
  readonly offers: (scene: FigureScene) => readonly Offer[];
  readonly text: (offer: Offer) => string;
  /** What stands beside it, such as its present value. */
  readonly beside?: (offer: Offer) => string;
  /** Told what is pointed at in the list, and `null` when it is left. */
  readonly onPoint?: (offer: Offer | null) => void;
  readonly onChoose: (offer: Offer) => void;
  /** What lies beside the list while it is open, from which something can be chosen too. */
  readonly beyond?: (choose: (offer: Offer) => void) => ReactNode;
}

/**
 * Something of the figure to choose, by typing or by pointing at it in the figure: what is pointed at there comes first.
 * The list stays open while one points.
 */
export function PickList<Offer>(props: PickListProps<Offer>) {
  const [open, setOpen] = useState(false);
  const hasChosen = useRef(false);
  const { label, icon, disabled = false, onPoint, onChoose, beyond } = props;
  const choose = (offer: Offer): void => {
    onPoint?.(null);
    hasChosen.current = true;
    setOpen(false);
    onChoose(offer);
  };
  return (
    <Popup
      label={label}
      open={open}
      onOpen={(next) => {
        hasChosen.current = false;
        if (!next) onPoint?.(null);
        setOpen(next);
      }}
      // Over the text, so that the figure and what stands below it stay in sight.
      align="end"
      stays
      leavesFocus={() => hasChosen.current}
      trigger={
        <Button
          quiet
          className="px-1.5"
          aria-label={label}
          title={label}
          disabled={disabled}
          onMouseDown={(event) => event.preventDefault()}
        >
          {icon}
        </Button>
      }
    >
      {open && <Offers {...props} onChoose={choose} />}
      {open && beyond?.(choose)}
    </Popup>
  );
}

function Offers<Offer>({ lead, scene, offers, text, beside, onPoint, onChoose }: PickListProps<Offer>) {
  const { t } = useTranslation();
  useParts(scene.structured, scene.pointed, scene.selected);
  const [typed, setTyped] = useState('');
  const found = offers(scene).filter((offer) => isFound(text(offer), typed));
  return (
    <div className="flex w-[340px] max-w-full flex-col gap-2" data-pick-list>
      <SearchField
        label={t('prose.find')}
        value={typed}
        onChange={setTyped}
        onEnter={() => found[0] && onChoose(found[0])}
      />
      <p className="text-[12.5px] text-soft">{lead}</p>
      {found.length === 0 && <p className="text-[13px] text-soft">{t('prose.nothingFound')}</p>}
      <ul className="max-h-[300px] overflow-y-auto">
        {found.slice(0, mostListed).map((offer) => (
          <li key={text(offer)}>
            <button
              type="button"
              className="flex w-full gap-3 rounded-md px-2 py-1 text-left text-[13px] hover:bg-tint focus-visible:ring-3 focus-visible:ring-accent/40"
              onPointerEnter={() => onPoint?.(offer)}
              onPointerLeave={() => onPoint?.(null)}
              onFocus={() => onPoint?.(offer)}
              onClick={() => onChoose(offer)}
            >
              <span className="min-w-[45%] flex-1">{text(offer)}</span>
              {beside && <span className="truncate font-mono text-[12px] text-soft">{beside(offer)}</span>}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
