import { useTold } from '../text/told.js';
import { CloudOff, CloudUpload, Check, LogIn, TriangleAlert, Redo2, Undo2 } from 'lucide-react';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import type { EditedDocument } from './editedDocument.js';
import { useEdited } from './useEdited.js';

/** How saving stands, in the bar: always there, so that nobody has to wonder. */
export function SaveState<D, C>({ edited }: { edited: EditedDocument<D, C> }) {
  const { t } = useTranslation();
  const status = useEdited(edited, (state) => state.status);
  const unsent = useEdited(edited, (state) => state.unsent);
  const [Icon, text] =
    status === 'saved'
      ? [Check, t('save.saved')]
      : status === 'saving'
        ? [CloudUpload, t('save.saving')]
        : status === 'offline'
          ? [CloudOff, t('save.offline', { count: unsent })]
          : status === 'signed-out' || status === 'closed'
            ? [LogIn, t('save.offline', { count: unsent })]
            : [TriangleAlert, t('save.offline', { count: unsent })];
  return (
    <span
      role="status"
      data-save={status}
      className="flex items-center gap-1.5 text-[13px] whitespace-nowrap text-soft"
    >
      <Icon aria-hidden size={15} />
      {text}
    </span>
  );
}

/** A strip below the bar while something about saving has to be known, with what to do. */
export function SaveNotice<D, C>({ edited }: { edited: EditedDocument<D, C> }) {
  const { t } = useTranslation();
  const status = useEdited(edited, (state) => state.status);
  const merged = useEdited(edited, (state) => state.merged);
  const full = useEdited(edited, (state) => state.deviceFull && state.unsent > 0);
  const retry = (
    <Button quiet onClick={() => edited.retry()}>
      {t('save.retry')}
    </Button>
  );
  return (
    <>
      {full && (
        <Strip>
          {t('save.deviceFull')} {retry}
        </Strip>
      )}
      {status === 'offline' && !full && (
        <Strip>
          {t('save.offlineLong')} {retry}
        </Strip>
      )}
      {status === 'closed' && (
        <Strip>
          {t('save.closed')} {retry}
        </Strip>
      )}
      {status === 'signed-out' && (
        <Strip>
          {t('save.signedOut')} {retry}
        </Strip>
      )}
      {merged && status !== 'offline' && status !== 'signed-out' && (
        <Strip>
          {t('save.merged')}
          {merged.over > 0 && ` ${t('save.someOver', { count: merged.over })}`}
          {merged.dropped > 0 && ` ${t('save.someDropped', { count: merged.dropped })}`}
        </Strip>
      )}
      <Aside edited={edited} />
    </>
  );
}

function Strip({ children }: { children: ReactNode }) {
  return (
    <div role="alert" className="flex items-center gap-4 border-b border-line bg-tint px-4 py-1 text-[13px]">
      {children}
    </div>
  );
}

// Panels are no part of a reader's first load.
const AsidePanel = lazy(() => import('./AsidePanel.js'));

/** Changes that could not be saved: why, and all of them to read and to copy. */
function Aside<D, C>({ edited }: { edited: EditedDocument<D, C> }) {
  const { t } = useTranslation();
  const tell = useTold();
  const aside = useEdited(edited, (state) => state.aside);
  const [open, setOpen] = useState(false);
  if (aside.length === 0) return null;
  return (
    <>
      <Strip>
        <span>{t('save.aside', { count: aside.length, reason: tell(aside.at(-1)!.reason) })}</span>
        <Button quiet onClick={() => setOpen(true)}>
          {t('save.asideShow')}
        </Button>
      </Strip>
      {open && (
        <Suspense>
          <AsidePanel
            aside={aside}
            onClose={() => setOpen(false)}
            onForget={() => {
              edited.forgetAside();
              setOpen(false);
            }}
          />
        </Suspense>
      )}
    </>
  );
}

/** Undo and redo. */
export function UndoButtons<D, C>({
  edited,
  narrow = false,
  onEffect = () => undefined,
}: {
  edited: EditedDocument<D, C>;
  /** Told what an undo or redo came down to. */
  onEffect?: (effect: C) => void;
  /** Signs instead of words, where the row is full. */
  narrow?: boolean;
}) {
  const { t } = useTranslation();
  const canUndo = useEdited(edited, (state) => state.history.undoable.length > 0);
  const told = (effect: C | undefined): void => {
    if (effect !== undefined) onEffect(effect);
  };
  const canRedo = useEdited(edited, (state) => state.history.redoable.length > 0);
  return (
    <>
      <Button
        quiet
        disabled={!canUndo}
        aria-label={t('save.undo')}
        title={t('save.undo')}
        className={narrow ? 'px-1.5' : ''}
        onClick={() => told(edited.undo())}
      >
        {narrow ? <Undo2 aria-hidden size={16} /> : t('save.undo')}
      </Button>
      <Button
        quiet
        disabled={!canRedo}
        aria-label={t('save.redo')}
        title={t('save.redo')}
        className={narrow ? 'px-1.5' : ''}
        onClick={() => told(edited.redo())}
      >
        {narrow ? <Redo2 aria-hidden size={16} /> : t('save.redo')}
      </Button>
    </>
  );
}
