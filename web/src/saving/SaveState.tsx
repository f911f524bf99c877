import { CloudOff, CloudUpload, Check, LogIn, TriangleAlert, Redo2, Undo2 } from 'lucide-react';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import type { DocumentSession } from './documentSession.js';
import { useSession } from './useSession.js';

/** How saving stands, in the bar: always there, so that nobody has to wonder. */
export function SaveState<D, C>({ session }: { session: DocumentSession<D, C> }) {
  const { t } = useTranslation();
  const status = useSession(session, (state) => state.status);
  const unsent = useSession(session, (state) => state.unsent);
  const [Icon, text] =
    status === 'saved'
      ? [Check, t('save.saved')]
      : status === 'saving'
        ? [CloudUpload, t('save.saving')]
        : status === 'offline'
          ? [CloudOff, t('save.offline', { count: unsent })]
          : status === 'signed-out'
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

/** A strip below the bar while saving does not go on by itself, with what to do. */
export function SaveNotice<D, C>({ session }: { session: DocumentSession<D, C> }) {
  const discard = (): void => {
    session.discardUnsent();
    location.reload();
  };
  const { t } = useTranslation();
  const status = useSession(session, (state) => state.status);
  const refusal = useSession(session, (state) => state.refusal);
  const merged = useSession(session, (state) => state.merged);
  let text: string | undefined;
  let action = (
    <Button quiet onClick={() => session.retry()}>
      {t('save.retry')}
    </Button>
  );
  if (status === 'offline') text = t('save.offlineLong');
  else if (status === 'signed-out') text = t('save.signedOut');
  else if (status === 'refused') {
    text = t('save.refused', { detail: refusal });
    action = (
      <Button quiet onClick={discard}>
        {t('save.backToSaved')}
      </Button>
    );
  } else if (merged) {
    text = [
      t('save.merged'),
      merged.dropped > 0 ? t('save.someDropped', { count: merged.dropped }) : '',
    ].join(' ');
    action = <></>;
  }
  if (!text) return null;
  return (
    <div role="alert" className="flex items-center gap-4 border-b border-line bg-tint px-4 py-1 text-[13px]">
      <span>{text}</span>
      {action}
    </div>
  );
}

/** Undo and redo. */
export function UndoButtons<D, C>({
  session,
  narrow = false,
}: {
  session: DocumentSession<D, C>;
  /** Signs instead of words, where the row is full. */
  narrow?: boolean;
}) {
  const { t } = useTranslation();
  const canUndo = useSession(session, (state) => state.history.undoable.length > 0);
  const canRedo = useSession(session, (state) => state.history.redoable.length > 0);
  return (
    <>
      <Button
        quiet
        disabled={!canUndo}
        aria-label={t('save.undo')}
        title={t('save.undo')}
        className={narrow ? 'px-1.5' : ''}
        onClick={() => session.undo()}
      >
        {narrow ? <Undo2 aria-hidden size={16} /> : t('save.undo')}
      </Button>
      <Button
        quiet
        disabled={!canRedo}
        aria-label={t('save.redo')}
        title={t('save.redo')}
        className={narrow ? 'px-1.5' : ''}
        onClick={() => session.redo()}
      >
        {narrow ? <Redo2 aria-hidden size={16} /> : t('save.redo')}
      </Button>
    </>
  );
}
