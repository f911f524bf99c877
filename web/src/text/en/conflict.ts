/** What is asked where a lesson was changed in two places. */
export const conflict = {
  title: 'This lesson was changed elsewhere',
  lead_one:
    'Perhaps in another window. Your {{count}} change since then is kept here. What should become of it?',
  lead_other:
    'Perhaps in another window. Your {{count}} changes since then are kept here. What should become of them?',
  putOnTop: 'Put mine on top',
  putOnTopHelp: 'Your changes are applied again on top of the newer version.',
  keepAsCopy: 'Keep mine as a new lesson',
  keepAsCopyHelp: 'Both versions are kept; yours gets its own place on the shelf.',
  takeTheirs: 'Take the newer version',
  takeTheirsHelp: 'Your changes are dropped.',
  copyName: '{{title}} (my copy)',
};
