export const stages = {
  stages: 'Stages',
  of: 'Stage {{number}} of {{count}}',
  previous: 'Previous stage',
  next: 'Next stage',
  taskThere: 'There is a task at stage {{number}}.',
  goThere: 'Go to stage {{number}}',
  backTo: 'Back to stage',
  keepCopy: 'Keep a copy',
  forgetCopy: 'Forget the copy',
};
