import { curveOf, isCurveItem, sourcesOf, type FigureItem } from '@bogen/core/figure';
import {
  ArrowDown,
  ArrowUp,
  ClipboardCopy,
  Copy,
  Eye,
  EyeOff,
  Lock,
  LockOpen,
  SlidersHorizontal,
  Snowflake,
  Stamp,
  Trash2,
} from 'lucide-react';
import { useMemo, useState, useSyncExternalStore } from 'react';
import type { Clipboard } from '../clipboard/useClipboard.js';
import { removal } from './removal.js';
import { freshId } from '../../figure/scene/freshId.js';
import { keptCopy } from '../../figure/scene/keptCopy.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { patched } from '../../figure/scene/patched.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { IconButton } from '../../ui/IconButton.js';
import { isFound } from '../../ui/isFound.js';
import { Popup } from '../../ui/Popup.js';
import { SearchField } from '../../ui/SearchField.js';

interface ItemListProps {
  readonly scene: FigureScene;
  readonly clipboard: Clipboard;
  readonly onDetails: (id: string) => void;
}

/** From so many items on they are found by name. */
const fewest = 25;
/** So many rows are there at first, and so many more each time that more are asked for. */
const atOnce = 100;

/** Every item of the figure by its name: shown or hidden, locked, in order, copied, kept, frozen, deleted. */
export function ItemList(props: ItemListProps) {
  const { t } = useTranslation();
  return (
    <Popup
      label={t('items.items')}
      className="w-[510px] p-2"
      trigger={<Button quiet>{t('items.items')}</Button>}
    >
      <Rows {...props} />
    </Popup>
  );
}

function Rows({ scene, clipboard, onDetails }: ItemListProps) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState('');
  const [most, setMost] = useState(atOnce);
  const document = useSyncExternalStore(scene.onRest, () => scene.restingDocument());
  const { host } = scene;
  const duplicate = (item: FigureItem): void => {
    const made: FigureItem = {
      ...item,
      id: freshId(document),
      name: t('items.copyName', { name: item.name }).slice(0, 200),
    };
    host.do({ name: 'addItem', item: made, at: document.items.indexOf(item) + 1 });
  };
  const keep = (item: FigureItem): void => {
    const command = keptCopy(scene, item, t('items.faintName', { name: item.name }).slice(0, 200));
    if (command) host.do(command);
  };
  const freeze = (item: FigureItem): void => {
    const curve = curveOf(scene.evaluation, item.id);
    if (curve) host.do({ name: 'freeze', item: item.id, curve });
  };
  /** What is built from each item, by its id. */
  const users = useMemo(
    () => new Map(document.items.flatMap((item) => sourcesOf(item).map((source) => [source, item] as const))),
    [document],
  );
  const found = document.items
    .map((item, index) => ({ item, index }))
    .filter(({ item }) => isFound(item.name, typed));
  return (
    <div data-item-list className="flex flex-col gap-1">
      {document.items.length === 0 && <p className="p-2 text-[13px] text-soft">{t('items.empty')}</p>}
      {document.items.length >= fewest && (
        <SearchField label={t('items.find')} value={typed} onChange={setTyped} onEnter={() => undefined} />
      )}
      <ul>
        {found.slice(0, most).map(({ item, index }) => {
          const { name } = item;
          const user = users.get(item.id);
          const { hidden, locked } = item;
          return (
            <li key={item.id} className="flex items-center gap-0.5 border-b border-line py-0.5 last:border-0">
              <IconButton
                label={t(hidden ? 'items.show' : 'items.hide', { name })}
                onPress={() => host.do(patched(item, { hidden: !hidden }))}
              >
                {hidden ? <EyeOff aria-hidden size={15} /> : <Eye aria-hidden size={15} />}
              </IconButton>
              <IconButton
                label={t(locked ? 'items.unlock' : 'items.lock', { name })}
                onPress={() => host.do(patched(item, { locked: !locked }))}
              >
                {locked ? <Lock aria-hidden size={15} /> : <LockOpen aria-hidden size={15} />}
              </IconButton>
              <NameField
                label={t('items.name', { name })}
                value={name}
                onChange={(to) => host.do({ name: 'renameItem', item: item.id, to })}
              />
              <span className="w-24 shrink-0 text-[12px] text-soft">{t(`items.kinds.${item.kind}`)}</span>
              <IconButton
                label={t('items.up', { name })}
                disabled={index === 0}
                onPress={() => host.do({ name: 'orderItem', item: item.id, at: index - 1 })}
              >
                <ArrowUp aria-hidden size={15} />
              </IconButton>
              <IconButton
                label={t('items.down', { name })}
                disabled={index === document.items.length - 1}
                onPress={() => host.do({ name: 'orderItem', item: item.id, at: index + 1 })}
              >
                <ArrowDown aria-hidden size={15} />
              </IconButton>
              <IconButton label={t('items.details', { name })} onPress={() => onDetails(item.id)}>
                <SlidersHorizontal aria-hidden size={15} />
              </IconButton>
              <IconButton label={t('items.toClipboard', { name })} onPress={() => clipboard.copy([item])}>
                <ClipboardCopy aria-hidden size={15} />
              </IconButton>
              <IconButton label={t('items.copy', { name })} onPress={() => duplicate(item)}>
                <Copy aria-hidden size={15} />
              </IconButton>
              {isCurveItem(item) && (
                <IconButton label={t('items.keepCopy', { name })} onPress={() => keep(item)}>
                  <Stamp aria-hidden size={15} />
                </IconButton>
              )}
              {(item.kind === 'built' || item.kind === 'shape') && (
                <IconButton label={t('items.freeze', { name })} onPress={() => freeze(item)}>
                  <Snowflake aria-hidden size={15} />
                </IconButton>
              )}
              <IconButton
                label={user ? t('items.inUse', { other: user.name }) : t('items.remove', { name })}
                disabled={user !== undefined}
                onPress={() => host.do(removal(document, [item.id]))}
              >
                <Trash2 aria-hidden size={15} />
              </IconButton>
            </li>
          );
        })}
      </ul>
      {found.length === 0 && document.items.length > 0 && (
        <p className="p-2 text-[13px] text-soft" role="status">
          {t('items.noneFound')}
        </p>
      )}
      <p className="flex flex-wrap items-center gap-2 p-1">
        <Button quiet onClick={clipboard.paste}>
          {t('items.paste')}
        </Button>
        {found.length > most && (
          <Button quiet onClick={() => setMost(most + atOnce)}>
            {t('items.more', { count: found.length - most })}
          </Button>
        )}
      </p>
    </div>
  );
}

/** A name to type; it is set when the field is left or Enter is pressed, and an empty one is given back. */
function NameField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (to: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const done = (): void => {
    const next = text?.trim();
    if (next && next !== value) onChange(next.slice(0, 200));
    setText(null);
  };
  return (
    <input
      aria-label={label}
      value={text ?? value}
      onChange={(event) => setText(event.target.value)}
      onBlur={done}
      onKeyDown={(event) => {
        if (event.key === 'Enter') done();
        if (event.key === 'Escape' && text !== null) {
          event.stopPropagation();
          setText(null);
        }
      }}
      className="h-6 min-w-0 flex-1 rounded border border-transparent bg-transparent px-1 text-[13px] hover:border-line focus:border-strong"
    />
  );
}
