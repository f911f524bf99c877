import { emptyFigure, type FigureDocument } from '@bogen/core/figure';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ChevronDown, Plus } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { NamePanel } from '../shelf/NamePanel.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Popup } from '../ui/Popup.js';
import type { BenchFigure, BenchStore } from './kept.js';

interface FigureListProps {
  readonly bench: BenchStore;
  readonly current: BenchFigure;
  readonly figures: readonly BenchFigure[];
  /** The current figure as it is now. */
  readonly figure: () => FigureDocument;
  /** What was taken away just now, to bring it back. */
  readonly removed: BenchFigure | null;
  readonly onRemoved: (figure: BenchFigure | null) => void;
}

/** The figures of the bench by their names: to go to, to make, to name, to copy and to take away. */
export function FigureList({ bench, current, figures, figure, removed, onRemoved }: FigureListProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const navigate = useNavigate();
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const [asks, setAsks] = useState<'make' | 'name' | 'copy' | null>(null);
  const refresh = () => client.invalidateQueries({ queryKey: ['bench', bench.place] });
  const name = useMutation({
    mutationFn: async (given: string) => {
      if (asks === 'name') {
        await bench.rename(current.id, given);
        return current.id;
      }
      return bench.add(given, asks === 'copy' ? figure() : emptyFigure());
    },
    onSuccess: async (id) => {
      await refresh();
      close();
      if (id !== current.id) await navigate(`/bench/${id}`);
    },
  });
  const remove = useMutation({
    mutationFn: () => bench.remove(current.id),
    onSuccess: async () => {
      onRemoved(current);
      await refresh();
      const other = figures.find(({ id }) => id !== current.id);
      await navigate(other ? `/bench/${other.id}` : '/bench');
    },
  });
  const back = useMutation({
    mutationFn: async (gone: BenchFigure) => bench.bringBack(gone.id),
    onSuccess: async (_, gone) => {
      onRemoved(null);
      await refresh();
      await navigate(`/bench/${gone.id}`);
    },
  });
  const close = (): void => {
    setAsks(null);
    name.reset();
  };
  const act = (what: () => void) => () => {
    setOpen(false);
    what();
  };
  const title = t(asks === 'make' ? 'bench.newFigure' : asks === 'copy' ? 'bench.copy' : 'bench.name');
  const error = remove.error ?? back.error;
  return (
    <>
      <Popup
        label={t('bench.figures')}
        open={open}
        onOpen={setOpen}
        trigger={
          <Button quiet className="min-w-[7rem] max-w-full" aria-label={t('bench.figures')}>
            <span className="truncate">{current.name}</span>
            <ChevronDown aria-hidden size={14} className="shrink-0" />
          </Button>
        }
      >
        {open && (
          <div className="flex w-[280px] max-w-full flex-col text-[13px]" data-figure-list>
            <ul className="max-h-[300px] overflow-y-auto">
              {figures.map(({ id, name: of }) => (
                <li key={id}>
                  <Button
                    quiet
                    className="w-full justify-start"
                    aria-current={id === current.id ? 'page' : undefined}
                    pressed={id === current.id}
                    onClick={act(() => void navigate(`/bench/${id}`))}
                  >
                    <span className="truncate">{of}</span>
                  </Button>
                </li>
              ))}
            </ul>
            <div className="mt-1 flex flex-col border-t border-line pt-1">
              <Button quiet className="justify-start" onClick={act(() => setAsks('make'))}>
                <Plus aria-hidden size={14} /> {t('bench.newFigure')}
              </Button>
              <Button quiet className="justify-start" onClick={act(() => setAsks('name'))}>
                {t('bench.name')}
              </Button>
              <Button quiet className="justify-start" onClick={act(() => setAsks('copy'))}>
                {t('bench.copy')}
              </Button>
              <Button quiet className="justify-start" onClick={act(() => remove.mutate())}>
                {t('bench.remove')}
              </Button>
            </div>
          </div>
        )}
      </Popup>
      <span role="status" className="text-[13px] text-soft" data-bench-said>
        {removed && (
          <>
            {t('bench.removed', { name: removed.name })}{' '}
            <button
              type="button"
              className="text-accent underline underline-offset-4"
              onClick={() => back.mutate(removed)}
            >
              {t('save.undo')}
            </button>
          </>
        )}
        {error && tell(error)}
      </span>
      <NamePanel
        open={asks !== null}
        title={title}
        label={t('bench.figureName')}
        name={
          asks === 'name'
            ? current.name
            : asks === 'copy'
              ? t('bench.copyOf', { name: current.name }).slice(0, 200)
              : ''
        }
        act={t(asks === 'name' ? 'bench.setName' : 'shelf.make')}
        isPending={name.isPending}
        error={name.error}
        onName={(given) => name.mutate(given)}
        onClose={close}
      />
    </>
  );
}
