export const save = {
  saved: 'Saved',
  saving: 'Saving …',
  offline: 'Not connected. {{count}} kept on this device',
  offlineLong:
    'Not connected. Go on working: everything is kept on this device and sent as soon as the connection is back.',
  signedOut: 'You are signed out. Your changes are kept on this device; sign in again and they are sent.',
  closed:
    'Your class is closed. What you change is kept on this device and sent if your instructor opens the class again.',
  deviceFull:
    'This device has no more room for changes that are not sent yet. Keep this page open until they are sent.',
  tooLargeAlone:
    'This change is too large to be saved in one piece. Do it in smaller parts, for instance with a shorter freehand stroke.',
  aside_one: '{{count}} change could not be saved and is set aside. {{reason}} Everything else is saved.',
  aside_other: '{{count}} changes could not be saved and are set aside. {{reason}} Everything else is saved.',
  asideShow: 'Read and copy',
  asideTitle: 'Changes that could not be saved',
  asideLead:
    'They stay on this device until you forget them. Each stands below the reason why it was not saved.',
  asideCopy: 'Copy as text',
  asideCopied: 'Copied.',
  asideForget: 'Forget them',
  merged: 'This was also changed on another device. Both sets of changes are kept.',
  someOver_one: 'Where both changed the same thing, yours came later and is kept.',
  someOver_other: 'Where both changed the same thing ({{count}} times), yours came later and is kept.',
  someDropped_one: '{{count}} change of yours no longer fits and is set aside.',
  someDropped_other: '{{count}} changes of yours no longer fit and are set aside.',
  undo: 'Undo',
  redo: 'Redo',
  retry: 'Send now',
};
