import type { Construction } from '@bogen/core/curve';
import { texAt, texControlPoint, texNumber } from '@bogen/core/lesson';

const number = (value: number): string => texNumber(value);
const pair = (point: readonly number[]): string =>
  String.raw`\begin{pmatrix}${number(point[0]!)}\\${number(point[1]!)}\end{pmatrix}`;

/**
 * One step of the construction in TeX, with its actual numbers: the share and the two parents. Of a
 * rational curve the parents count with their weights.
 * @returns `null` for a control point, which is given
 */
export function recursionOf(
  { levels, first, parameter }: Construction,
  level: number,
  index: number,
  rational: boolean,
): string | null {
  const own = levels[level]?.[index];
  if (!own?.between || level === 0 || own.share === undefined) return null;
  const [a, b] = [levels[level - 1]![index]!, levels[level - 1]![index + 1]!];
  const { share } = own;
  const [low, high] = own.between;
  const under = (value: number): string => (value < 0 ? `(${number(value)})` : number(value));
  const name = (r: number, j: number): string =>
    String.raw`\mathbf{${texControlPoint}}_{${texAt(first + r + j)}}^{(${r})}`;
  const symbolic = rational
    ? String.raw`${name(level, index)} &= \frac{(1-\alpha)\,w_a\,${name(level - 1, index)} + \alpha\,w_b\,${name(level - 1, index + 1)}}{(1-\alpha)\,w_a + \alpha\,w_b}`
    : String.raw`${name(level, index)} &= (1-\alpha)\,${name(level - 1, index)} + \alpha\,${name(level - 1, index + 1)}`;
  const numbers = rational
    ? String.raw`&= \frac{${number((1 - share) * a.weight)}\,${pair(a.point)} + ${number(share * b.weight)}\,${pair(b.point)}}{${number(own.weight)}}`
    : String.raw`&= ${number(1 - share)}\,${pair(a.point)} + ${number(share)}\,${pair(b.point)}`;
  const alpha = String.raw`\frac{${number(parameter)} - ${under(low)}}{${number(high)} - ${under(low)}}`;
  return String.raw`\begin{aligned}\alpha &= ${alpha} = ${number(share)}\\ ${symbolic}\\ ${numbers}\\ &= ${pair(own.point)}\end{aligned}`;
}
