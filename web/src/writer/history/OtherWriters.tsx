import { useQuery } from '@tanstack/react-query';
import { Users } from 'lucide-react';
import { useEffect, useMemo } from 'react';
import { call } from '../../api/instructorCall.js';
import { newId } from '../../saving/newId.js';
import { useTranslation } from '../../text/text.js';

/** How often a page says that it is there. */
const everyMs = 5000;

interface OtherWritersProps {
  readonly lesson: string;
  readonly sheet: string;
  /** The title of a sheet. */
  readonly titleOf: (sheet: string) => string | undefined;
}

/** Who else writes at this lesson just now, and on which sheet. */
export function OtherWriters({ lesson, sheet, titleOf }: OtherWritersProps) {
  const { t } = useTranslation();
  const page = useMemo(() => newId(), [lesson]);
  const { data } = useQuery({
    queryKey: ['presence', lesson, page, sheet],
    queryFn: ({ signal }) => call('presence', { params: { lesson }, body: { page, sheet }, signal }),
    refetchInterval: everyMs,
    retry: false,
    gcTime: 0,
    placeholderData: (before) => before,
  });
  useEffect(() => {
    const leave = (): void => {
      void call('presence', {
        params: { lesson },
        body: { page, sheet: '-', isGone: true },
        keepalive: true,
      }).catch(() => undefined);
    };
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [lesson, page]);
  const others = data?.others ?? [];
  if (others.length === 0) return null;
  const words = others.map(({ name, sheet: where }) =>
    where === sheet
      ? t('lessonHistory.writesHere', { name })
      : t('lessonHistory.writesThere', { name, title: titleOf(where) ?? '…' }),
  );
  return (
    <span
      role="status"
      title={words.join('\n')}
      className="flex items-center gap-1.5 text-[13px] whitespace-nowrap text-soft"
      data-other-writers={others.length}
    >
      <Users aria-hidden size={15} />
      <span className="sr-only">{words.join('; ')}</span>
      <span aria-hidden>{others.length}</span>
    </span>
  );
}
