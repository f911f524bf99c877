import type { FigureDocument } from '@bogen/core/figure';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';

interface ToBenchProps {
  readonly who: 'instructor' | 'student';
  readonly name: string;
  readonly figure: () => FigureDocument;
}

/** Takes a copy of a figure to one's own bench, where everything can be done with it. */
export function ToBench({ who, name, figure }: ToBenchProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const navigate = useNavigate();
  const [problem, setProblem] = useState('');
  const [isGoing, setGoing] = useState(false);
  const take = async (): Promise<void> => {
    setGoing(true);
    setProblem('');
    try {
      const { takeToBench } = await import('./takeToBench.js');
      await navigate(await takeToBench(who, name, figure()));
    } catch (error) {
      setProblem(t('reader.notToBench', { why: tell(error as Error) }));
      setGoing(false);
    }
  };
  return (
    <>
      <Button quiet disabled={isGoing} onClick={() => void take()}>
        {t('reader.toBench')}
      </Button>
      {problem && (
        <span role="alert" className="text-[13px] text-bad">
          {problem}
        </span>
      )}
    </>
  );
}
