export const failed = {
  title: 'This could not be opened',
  offlineTitle: 'The server does not answer',
  offline: 'What you did is kept on this device. As soon as the connection is back, try again.',
  notFoundTitle: 'There is nothing here',
  notFound: 'The address may be mistyped, or what stood here was removed.',
  unexpected: 'Something went wrong in this page. What you did is kept. Load it again.',
  unreachable: 'The server can’t be reached.',
  home: 'Go to the start',
  reload: 'Load again',
};
