import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useTranslation } from '../text/text.js';

interface PanelProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly lead?: ReactNode;
  /** Whether Escape and a click beside it close it; off where an answer is needed. */
  readonly closable?: boolean;
  readonly children: ReactNode;
}

/** A panel that slides over the prose and asks for something; the figure beside it stays in sight. */
export function Panel({ open, onClose, title, lead, closable = true, children }: PanelProps) {
  const { t } = useTranslation();
  return (
    <Dialog.Root open={open} modal={false} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          onInteractOutside={(event) => event.preventDefault()}
          onEscapeKeyDown={(event) => !closable && event.preventDefault()}
          className="fixed top-14 left-3 z-30 flex max-h-[calc(100vh-5rem)] w-[min(378px,calc(100vw-24px))] flex-col gap-3 overflow-y-auto rounded-lg border border-strong bg-sheet p-5 shadow-lg"
        >
          <Dialog.Title className="pr-8 font-serif text-[19px] leading-tight font-medium">
            {title}
          </Dialog.Title>
          {closable && (
            <Dialog.Close
              aria-label={t('ui.close')}
              title={t('ui.close')}
              className="absolute top-4 right-4 inline-flex size-7 items-center justify-center rounded-md hover:bg-tint"
            >
              <X aria-hidden size={16} />
            </Dialog.Close>
          )}
          <Dialog.Description asChild>
            <div className="text-[14px] text-soft">{lead}</div>
          </Dialog.Description>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
