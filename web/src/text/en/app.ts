export const app = {
  name: 'Bogen',
  tagline: 'Lessons on splines, to be taken in hand',
  light: 'Light theme',
  dark: 'Dark theme',
  signOut: 'Sign out',
  loading: 'Opening …',
  again: 'Try again',
  skip: 'Skip to the sheet',
};
