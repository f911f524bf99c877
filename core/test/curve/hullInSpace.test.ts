import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { signChanges, spanHullsInSpace } from '../../src/curve/hull.js';
import { hullInSpace, type HullInSpace } from '../../src/curve/hullInSpace.js';
import { domainOf } from '../../src/curve/knotVector.js';
import { crossInSpace, dot, subtract, unit } from '../../src/curve/vector.js';
import { arbitraryCurve, sizeOf } from './arbitrary.js';
import { holds } from '../holds.js';

/** How far outside of a hull a place lies at most, over the planes of its faces, each by its largest triangle. */
function outside({ corners, faces }: HullInSpace, place: Point): number {
  return Math.max(
    ...faces.map((face) => {
      const places = face.map((corner) => corners[corner]!);
      const first = places[0]!;
      const normal = places
        .flatMap((b, j) =>
          places.slice(j + 1).map((c) => crossInSpace(subtract(b, first), subtract(c, first))),
        )
        .reduce((best, next) => (Math.hypot(...next) > Math.hypot(...best) ? next : best));
      return dot(subtract(place, first), unit(normal) ?? [0, 0, 0]);
    }),
  );
}

/** How often each edge is run along, with its direction. */
function edgesOf({ faces }: HullInSpace): Map<string, number> {
  const edges = new Map<string, number>();
  for (const face of faces) {
    face.forEach((corner, k) => {
      const key = `${corner} ${face[(k + 1) % face.length]!}`;
      edges.set(key, (edges.get(key) ?? 0) + 1);
    });
  }
  return edges;
}

const cube = [0, 1].flatMap((x) => [0, 1].flatMap((y) => [0, 1].map((z): Point => [x, y, z])));

describe('the hull of places in space', () => {
  it('of a cube has its eight corners and six faces, whatever lies in it, on its faces and its edges', () => {
    const hull = hullInSpace([...cube, [0.5, 0.5, 0.5], [0.5, 0.5, 1], [0.3, 0, 0], [1, 1, 1]]);
    expect(new Set(hull.corners)).toEqual(new Set(cube));
    expect(hull.faces.map((face) => face.length)).toEqual([4, 4, 4, 4, 4, 4]);
  });

  it('is flat, a line or a place where the places are', () => {
    const tilted = [
      [0, 0],
      [4, 0],
      [4, 3],
      [0, 3],
      [2, 1],
    ].map(([x, y]): Point => [x!, y!, 0.1 * x! + 0.7 * y!]);
    expect(hullInSpace(tilted)).toMatchObject({ faces: [[0, 1, 2, 3]] });
    expect(new Set(hullInSpace(tilted).corners)).toEqual(new Set(tilted.slice(0, 4)));
    const line = [0.1, 0.7, 0.3, 0.9].map((t): Point => [t, 2 * t, 3 * t]);
    expect(hullInSpace(line)).toEqual({ corners: [line[0], line[3]], faces: [] });
    expect(hullInSpace([cube[3]!, cube[3]!])).toEqual({ corners: [cube[3]], faces: [] });
  });

  it('is closed and holds every place, with every edge between two faces', () => {
    const coordinate = fc.oneof(
      fc.integer({ min: -3, max: 3 }),
      fc.integer({ min: -3000, max: 3000 }).map((value) => value / 1000),
    );
    const places = fc.array(fc.tuple(coordinate, coordinate, coordinate), { minLength: 4, maxLength: 10 });
    let solid = 0;
    holds(
      fc.property(places, (points) => {
        const hull = hullInSpace(points);
        for (const corner of hull.corners) expect(points).toContain(corner);
        if (hull.faces.length < 2) return;
        solid++;
        for (const point of points) expect(outside(hull, point)).toBeLessThanOrEqual(1e-11);
        const edges = edgesOf(hull);
        for (const [edge, times] of edges) {
          expect(times).toBe(1);
          expect(edges.get(edge.split(' ').reverse().join(' '))).toBe(1);
        }
        expect(hull.corners.length - edges.size / 2 + hull.faces.length).toBe(2);
      }),
    );
    expect(solid).toBeGreaterThan(20);
  });

  it('holds every place where some are hardly apart, too', () => {
    const coordinate = fc.oneof(
      fc.constantFrom(0, 1, 1e-13, 1 + 1e-12, -1e-11, 1e-300),
      fc.double({ min: -1, max: 1, noNaN: true }),
    );
    const places = fc.array(fc.tuple(coordinate, coordinate, coordinate), { minLength: 1, maxLength: 10 });
    holds(
      fc.property(places, (points) => {
        const hull = hullInSpace(points);
        for (const corner of hull.corners) expect(points).toContain(corner);
        if (hull.faces.length < 2) return;
        for (const point of points) expect(outside(hull, point)).toBeLessThanOrEqual(1e-9);
      }),
    );
  });

  it('of every span holds that span of the curve', () => {
    holds(
      fc.property(
        arbitraryCurve({ dimension: 3 }),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 }),
        (curve, shares) => {
          for (const { start, end, hull } of spanHullsInSpace(curve)) {
            if (hull.faces.length < 2) continue;
            for (const share of shares) {
              const place = pointAt(curve, Math.min(end, start + share * (end - start)));
              expect(outside(hull, place)).toBeLessThanOrEqual(1e-9 * sizeOf(curve));
            }
          }
        },
      ),
    );
  });

  it('a plane is crossed by the polygon at least as often as by the curve', () => {
    const place = fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -50, max: 50, noNaN: true })));
    holds(
      fc.property(arbitraryCurve({ dimension: 3 }), fc.tuple(place, place, place), (curve, plane) => {
        const normal = crossInSpace(subtract(plane[1], plane[0]), subtract(plane[2], plane[0]));
        let changes: number;
        try {
          changes = signChanges(curve, plane);
        } catch (error) {
          expect(error).toBeInstanceOf(CurveError);
          return;
        }
        const [start, end] = domainOf(curve.knots, curve.degree);
        const noise = 1e-9 * sizeOf(curve) * Math.hypot(...normal);
        const sides = Array.from({ length: 200 }, (_, k) =>
          dot(normal, subtract(pointAt(curve, Math.min(end, start + ((end - start) * k) / 199)), plane[0])),
        ).filter((side) => Math.abs(side) > noise);
        const found = sides.filter((side, k) => k > 0 && side * sides[k - 1]! < 0).length;
        expect(changes).toBeGreaterThanOrEqual(found);
      }),
    );
  });

  it('is refused for a plane curve, and a plane needs three places', () => {
    const curve = {
      degree: 1,
      knots: [0, 0, 1, 1],
      points: [
        [0, 0],
        [1, 1],
      ],
    };
    expect(() => spanHullsInSpace(curve)).toThrow(CurveError);
    expect(() =>
      signChanges(
        {
          ...curve,
          points: [
            [0, 0, 0],
            [1, 1, 1],
          ],
        },
        cube.slice(0, 2),
      ),
    ).toThrow(CurveError);
  });
});
