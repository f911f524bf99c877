export const app = {
  notDrawnSmall: 'This figure takes too long to draw here. Open it to see it.',
  name: 'Bogen',
  tagline: 'Lessons on splines, to be taken in hand',
  light: 'Light theme',
  dark: 'Dark theme',
  signOut: 'Sign out',
  loading: 'Opening …',
  again: 'Try again',
};
