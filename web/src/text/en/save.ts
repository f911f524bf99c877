export const save = {
  saved: 'Saved',
  saving: 'Saving …',
  offline: 'Not connected. {{count}} kept on this device',
  offlineLong:
    'Not connected. Go on working: everything is kept on this device and sent as soon as the connection is back.',
  signedOut: 'You are signed out. Your changes are kept on this device; sign in again and they are sent.',
  refused: 'The server refused a change: {{detail}} The others are kept.',
  backToSaved: 'Go back to the saved state',
  conflictTitle: 'This lesson was changed elsewhere',
  conflictLead_one:
    'Perhaps in another window. Your {{count}} change since then is kept here. What should become of it?',
  conflictLead_other:
    'Perhaps in another window. Your {{count}} changes since then are kept here. What should become of them?',
  putOnTop: 'Put mine on top',
  putOnTopHelp: 'Your changes are made again on the newer state.',
  keepAsCopy: 'Keep mine as a new lesson',
  keepAsCopyHelp: 'Both states stay; yours gets its own place on the shelf.',
  takeTheirs: 'Take the newer state',
  takeTheirsHelp: 'Your changes are dropped.',
  merged: 'This sheet was also changed on another device. Both sets of moves are kept.',
  someDropped_one: '{{count}} change no longer fitted and was left out.',
  someDropped_other: '{{count}} changes no longer fitted and were left out.',
  undo: 'Undo',
  redo: 'Redo',
  copyName: '{{title}} (my copy)',
  retry: 'Send now',
};
