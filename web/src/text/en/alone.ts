/** A lesson that stands alone. */
export const alone = {
  handIn: 'My work',
  lead: 'What you do here is kept in this browser, and nowhere else. To hand it in, save it as a file and give the file to your instructor.',
  notKept:
    'This browser keeps nothing for files: when the page is closed, your work is gone. Save it as a file before that.',
  /** Stands after the word that says that everything is saved. */
  notKeptWithin: 'only until this page is closed',
  name: 'Your name',
  save: 'Save my work as a file',
  nothing: 'You have not done anything yet.',
  fileName: '{{title}}, work of {{name}}',
  somebody: 'somebody',
  sheets_one: 'Work on {{count}} sheet; {{tasks}} checked.',
  sheets_other: 'Work on {{count}} sheets; {{tasks}} checked.',
  tasks_one: '{{count}} task',
  tasks_other: '{{count}} tasks',
  broken: 'The lesson in this file is damaged. Ask for the file once more.',
};
