import type { Point } from '../../curve/curve.js';
import { distance } from '../../curve/vector.js';
import type { PictureItem } from './item.js';
import { mapPlace, rotation, scaling } from '../part/plane.js';

/** Height of a picture in the drawing's unit. */
export function pictureHeight({ size, width }: PictureItem): number {
  return (width * size[1]) / size[0];
}

/** The corners of a picture: lower left, lower right, upper right, upper left of the picture as it was taken. */
export function pictureCorners(picture: PictureItem): Point[] {
  const [w, h] = [picture.width / 2, pictureHeight(picture) / 2];
  const turn = rotation([0, 0], picture.angle);
  const side = picture.flipped ? -1 : 1;
  return [
    [-w, -h],
    [w, -h],
    [w, h],
    [-w, h],
  ].map(([x, y]) => {
    const [turnedX, turnedY] = mapPlace(turn, [side * x!, y!]);
    return [picture.centre[0]! + turnedX!, picture.centre[1]! + turnedY!];
  });
}

/** The places by which a picture is taken hold of: its centre moves it, its corner turns and scales it. */
export function pictureHandles(picture: PictureItem): { key: 'centre' | 'corner'; at: Point }[] {
  return [
    { key: 'centre', at: picture.centre },
    { key: 'corner', at: pictureCorners(picture)[2]! },
  ];
}

/** The picture with its centre, or its corner about the centre, at another place. */
export function movePictureHandle(picture: PictureItem, key: string, to: Point): PictureItem {
  if (key === 'centre') return { ...picture, centre: to };
  const { centre } = picture;
  const corner = pictureCorners(picture)[2]!;
  const angleOf = (place: Point): number => Math.atan2(place[1]! - centre[1]!, place[0]! - centre[0]!);
  const ratio = distance(to, centre) / distance(corner, centre);
  if (!(ratio > 0)) return picture;
  const turned = ((angleOf(to) - angleOf(corner)) * 180) / Math.PI;
  return { ...picture, width: picture.width * ratio, angle: tidyAngle(picture.angle + turned) };
}

/**
 * The picture scaled about one of two of its places so that they lie a known length apart.
 * @returns `undefined` where both are one place or the length is not above zero
 */
export function scalePictureBy(
  picture: PictureItem,
  first: Point,
  second: Point,
  length: number,
): PictureItem | undefined {
  const now = distance(first, second);
  if (!(now > 0 && length > 0)) return undefined;
  const factor = length / now;
  return {
    ...picture,
    centre: mapPlace(scaling(first, factor), picture.centre),
    width: picture.width * factor,
  };
}

/** Degrees from −180 to 180, without the dust of the computation. */
function tidyAngle(degrees: number): number {
  const round = Math.round(degrees * 1e9) / 1e9;
  return round - 360 * Math.round(round / 360);
}
