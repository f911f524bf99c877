/** By how much a drawing may be made smaller to fit its page, or larger where it is small; 1 is true size. */
const ratios = [
  0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 1.5, 2, 2.5, 3, 4, 5, 7.5, 10, 15, 20, 25, 50, 75, 100, 150, 200, 250,
  500, 1000,
];

/** A drawing in millimetres on a page. */
export interface OnPaper {
  /** So many millimetres of the drawing are one on paper. */
  readonly ratio: number;
}

/** A drawing that fills this part of its place is shown in true size and not enlarged. */
const largeEnough = 0.4;

/** A drawing as large as its place on the page lets it be, in a ratio that can be said; true size where that is no waste of it. All in millimetres. */
export function onPaper(
  drawn: { readonly width: number; readonly height: number },
  place: { readonly width: number; readonly height: number },
): OnPaper {
  const needed = Math.max(drawn.width / place.width, drawn.height / place.height);
  if (needed <= 1 && needed >= largeEnough) return { ratio: 1 };
  return { ratio: ratios.find((one) => one >= needed) ?? Math.ceil(needed) };
}

/** The length of a bar that shows the scale: a round one of 1, 2 or 5, a quarter to two thirds of a drawing's width. */
export function barLength(width: number): number {
  const unit = 10 ** Math.floor(Math.log10(width / 2));
  return [5, 2, 1].map((times) => times * unit).find((length) => length <= (2 / 3) * width)!;
}
