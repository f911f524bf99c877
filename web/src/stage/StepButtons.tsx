import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useTranslation } from '../text/text.js';
import { IconButton } from '../ui/IconButton.js';

interface StepButtonsProps {
  readonly index: number;
  readonly count: number;
  readonly onGo: (index: number) => void;
}

/** To the stage before and to the next. */
export function StepButtons({ index, count, onGo }: StepButtonsProps) {
  const { t } = useTranslation();
  return (
    <>
      <IconButton label={t('stages.previous')} disabled={index === 0} onPress={() => onGo(index - 1)}>
        <ChevronLeft size={16} />
      </IconButton>
      <IconButton label={t('stages.next')} disabled={index === count - 1} onPress={() => onGo(index + 1)}>
        <ChevronRight size={16} />
      </IconButton>
    </>
  );
}
