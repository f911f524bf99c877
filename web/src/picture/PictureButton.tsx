import { useRef, useState } from 'react';
import { ApiProblem, NotConnected } from '../api/call.js';
import type { FigureScene } from '../figure/scene.js';
import { useTranslation } from '../text/text.js';
import { addPicture, FileTooLarge } from './addPicture.js';

interface PictureButtonProps {
  readonly scene: FigureScene;
  readonly className: string;
  readonly onAdded: (id: string) => void;
}

/** Takes a picture from the device and puts it behind the drawing. */
export function PictureButton({ scene, className, onAdded }: PictureButtonProps) {
  const { t } = useTranslation();
  const input = useRef<HTMLInputElement>(null);
  const [state, setState] = useState<{ sending: boolean; problem: string }>({ sending: false, problem: '' });
  const take = async (file: File): Promise<void> => {
    setState({ sending: true, problem: '' });
    try {
      const id = await addPicture(scene, file, t('picture.name'));
      setState({ sending: false, problem: '' });
      onAdded(id);
    } catch (error) {
      const problem =
        error instanceof FileTooLarge
          ? t('picture.tooLarge')
          : error instanceof ApiProblem || error instanceof NotConnected || error instanceof Error
            ? t('picture.notSent', { reason: error.message })
            : String(error);
      setState({ sending: false, problem });
    }
  };
  return (
    <>
      <button
        type="button"
        disabled={state.sending}
        className={className}
        onClick={() => input.current!.click()}
      >
        <span className="block text-[13px] font-medium">
          {state.sending ? t('picture.sending') : t('picture.add')}
        </span>
        <span className="block text-[12px] leading-snug text-soft">{t('picture.addLead')}</span>
      </button>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/svg+xml"
        aria-label={t('picture.add')}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void take(file);
        }}
      />
      {state.problem && (
        <p role="alert" className="col-span-2 px-2 text-[13px] text-bad">
          {state.problem}
        </p>
      )}
    </>
  );
}
