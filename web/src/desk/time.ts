const sameDay = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hour12: false });
const otherDay = new Intl.DateTimeFormat('en', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  hour12: false,
});

/** A moment, short: the time alone where it was today. */
export function shownTime(iso: string, now = new Date()): string {
  const moment = new Date(iso);
  return (moment.toDateString() === now.toDateString() ? sameDay : otherDay).format(moment);
}
