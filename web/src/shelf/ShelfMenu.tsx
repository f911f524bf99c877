import { useState } from 'react';
import { useTranslation } from '../text/text.js';
import { Menu, type MenuRow } from '../ui/Menu.js';
import { NamePanel } from './NamePanel.js';
import { useShelfChange, type ShelfChange } from './useShelf.js';

interface ShelfMenuProps {
  readonly label: string;
  readonly title: string;
  /** What is asked for a new name, and what a name changes. */
  readonly nameLabel: string;
  readonly rename: (title: string) => ShelfChange;
  readonly copy: (title: string) => ShelfChange;
  readonly rows: readonly (MenuRow | undefined)[];
}

/** What can be done with something on the shelf. */
export function ShelfMenu({ label, title, nameLabel, rename, copy, rows }: ShelfMenuProps) {
  const { t } = useTranslation();
  const [asks, setAsks] = useState<'rename' | 'copy' | null>(null);
  const change = useShelfChange();
  const close = (): void => {
    setAsks(null);
    change.reset();
  };
  const all: readonly (MenuRow | undefined)[] = [
    { label: t('shelf.rename'), act: () => setAsks('rename') },
    { label: t('shelf.copy'), act: () => setAsks('copy') },
    ...rows,
  ];
  return (
    <>
      <Menu label={label} rows={all} />
      <NamePanel
        open={asks !== null}
        title={t(asks === 'copy' ? 'shelf.copy' : 'shelf.rename')}
        label={nameLabel}
        name={asks === 'copy' ? t('shelf.copyOf', { title }).slice(0, 200) : title}
        act={t(asks === 'copy' ? 'shelf.make' : 'shelf.setName')}
        isPending={change.isPending}
        error={change.error}
        onName={(name) => change.mutate(asks === 'copy' ? copy(name) : rename(name), { onSuccess: close })}
        onClose={close}
      />
    </>
  );
}
