import { useTold } from '../../text/told.js';
import { useRef, useState } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { addPicture, FileTooLarge } from './addPicture.js';

interface PictureButtonProps {
  readonly scene: FigureScene;
  readonly className: string;
  readonly onAdded: (id: string) => void;
}

/** Takes a picture from the device and puts it behind the drawing. */
export function PictureButton({ scene, className, onAdded }: PictureButtonProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const input = useRef<HTMLInputElement>(null);
  // The share that is sent, while something is.
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState('');
  const take = async (file: File): Promise<void> => {
    setShare(0);
    setProblem('');
    try {
      const id = await addPicture(scene, file, t('picture.name'), setShare);
      onAdded(id);
    } catch (error) {
      setProblem(
        error instanceof FileTooLarge
          ? t('picture.tooLarge')
          : scene.host.keepPicture
            ? t('picture.notKept')
            : t('picture.notSent', { reason: tell(error) }),
      );
    } finally {
      setShare(null);
    }
  };
  return (
    <>
      <button
        type="button"
        disabled={share !== null}
        className={className}
        onClick={() => input.current!.click()}
      >
        <span className="block text-[13px] font-medium">
          {share === null
            ? t('picture.add')
            : share < 1
              ? t('picture.sending', { share: Math.floor(share * 100) })
              : t('picture.checking')}
        </span>
        {share === null ? (
          <span className="block text-[12px] leading-snug text-soft">
            {t(scene.host.keepPicture ? 'picture.addHereLead' : 'picture.addLead')}
          </span>
        ) : (
          <progress
            aria-label={t('picture.add')}
            className="mt-1 block h-1.5 w-full appearance-none overflow-hidden rounded-full bg-line [&::-moz-progress-bar]:bg-accent [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-accent"
            {...(share < 1 ? { value: share } : {})}
          />
        )}
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
      {problem && (
        <p role="alert" className="col-span-2 px-2 text-[13px] text-bad">
          {problem}
        </p>
      )}
    </>
  );
}
