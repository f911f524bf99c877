export const ui = {
  exact: 'Exact numbers such as 1/3 and √2/2',
  close: 'Close',
  menu: 'What can be done here',
  notANumber: '{{text}} is not a number or an expression; nothing was changed.',
  numberFrom: 'A number of at least {{least}}',
  numberBetween: 'A number from {{least}} to {{most}}',
  readerAway: 'Expressions can’t be read while the server is away; type the number itself.',
  numberAbove: 'A number above {{above}}',
  numberInside: 'A number between {{above}} and {{below}}',
  wholeBetween: 'A whole number from {{least}} to {{most}}',
};
