export const reader = {
  present: 'Present',
  presentHelp: 'Show it large, for others to see (q)',
  lessons: 'Lessons',
  toBench: 'To the bench',
  bench: 'Bench',
  notToBench: 'The copy could not be kept: {{why}}',
  empty:
    'Your instructor has not published a lesson for this class yet. Come back later; your place is kept.',
  progress: '{{done}} of {{count}} sheets done',
  start: 'Begin',
  goOn: 'Go on',
  newerEdition: 'Edition {{number}} is out. Your work on this one is kept.',
  earlierWork: 'This sheet is another than in edition {{number}}. Your work there is kept.',
  openBeside: 'Open it beside this one',
  otherEdition: 'Your work on edition {{number}}',
  openingWork: 'Your work on this sheet is being opened; then its points can be moved.',
  notOpened:
    'The server does not answer, so your work on this sheet is not here yet. It is kept; the text can be read in the meantime.',
  toNewer: 'Go to edition {{number}}',
  sheetState: 'Sheet {{number}}, {{title}}: {{state}}',
  state: { unopened: 'not opened', opened: 'opened', begun: 'begun', tried: 'tried', done: 'done' },
};
