import { Formula } from '../../sheet/Formula.js';
import { useTranslation } from '../../text/text.js';

/** The usual symbols of the field, in groups; what stands between braces is selected when it is put in. */
const symbols: readonly (readonly string[])[] = [
  ['C(u)', 'N_{i,p}(u)', 'R_{i,p}(u)', 'B_{i,n}(t)', 'P_i', 'w_i', 'u_i', '[u_i, u_{i+1})'],
  ["C'(u)", "C''(u)", 'C^{(k)}(u)', '\\kappa(u)', 'C^2', 'G^1', '\\rho', '\\lambda'],
  [
    '\\sum_{i=0}^{n}',
    '\\frac{a}{b}',
    '\\sqrt{x}',
    '\\binom{n}{i}',
    'x^{2}',
    'x_{i}',
    '\\lVert x \\rVert',
    '\\left( x \\right)',
  ],
  ['\\le', '\\ge', '\\ne', '\\approx', '\\in', '\\times', '\\cdot', '\\to'],
];

interface SymbolPaletteProps {
  readonly onSymbol: (latex: string) => void;
}

/** Symbols to press for those who know no TeX notation. */
export function SymbolPalette({ onSymbol }: SymbolPaletteProps) {
  const { t } = useTranslation();
  return (
    <div role="group" aria-label={t('prose.symbols')} className="flex flex-col gap-1" data-symbols>
      {symbols.map((row, index) => (
        <div key={index} className="flex flex-wrap gap-1">
          {row.map((latex) => (
            <button
              key={latex}
              type="button"
              aria-label={latex}
              title={latex}
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => onSymbol(latex)}
              className="prose-text grid h-8 min-w-8 place-items-center rounded border border-line px-1.5 hover:bg-tint"
            >
              <Formula latex={latex} block={false} />
            </button>
          ))}
        </div>
      ))}
    </div>
  );
}
