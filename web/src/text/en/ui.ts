export const ui = {
  close: 'Close',
  menu: 'What can be done here',
  numberFrom: 'A number from {{least}} on',
  numberBetween: 'A number from {{least}} to {{most}}',
  wholeBetween: 'A whole number from {{least}} to {{most}}',
};
