import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hasSignedWeights, partsBetweenPoles } from '../../src/curve/betweenPoles.js';
import type { Curve } from '../../src/curve/curve.js';
import { CurveError } from '../../src/curve/error.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { clampedUniformKnots, domainOf } from '../../src/curve/knotVector.js';
import { validateCurve } from '../../src/curve/validate.js';
import { referencesIn, withIds } from '../../src/describe/ids.js';
import { applyFigureCommand, touchesOfFigureCommand } from '../../src/figure/change/applyCommand.js';
import {
  figureCommands,
  type FigureCommand,
  type SingleFigureCommand,
} from '../../src/figure/command/commands.js';
import { figureDescription, type FigureDocument } from '../../src/figure/document/document.js';
import { itemDescription } from '../../src/figure/document/item.js';
import { validateFigure } from '../../src/figure/document/validate.js';
import { operate } from '../../src/figure/operation/operate.js';
import { offeredOperations, operations, type Operation } from '../../src/figure/operation/operations.js';
import {
  curveOfShape,
  handlesOfShape,
  moveShapeHandle,
  shapes,
  type Shape,
  type ShapeKind,
} from '../../src/figure/shape/shapes.js';
import { CommandError } from '../../src/history/history.js';
import { pathsMeet } from '../../src/history/touches.js';
import { arbitraryCurve } from '../curve/arbitrary.js';
import { expectClose } from '../curve/reference.js';
import { signedCurves } from '../curve/signedCurves.js';
import { expectSameCurve } from '../curve/sameCurve.js';
import { arbitraryOf } from '../describe/arbitraryOf.js';
import {
  commandNames as names,
  commandsOf,
  curve,
  figure,
  figureIds as ids,
  figureItems as items,
  points,
} from './randomCommands.js';
import { holds } from '../holds.js';

describe('every figure command', () => {
  it.each(names)('%s is taken back exactly, also after it was stored as text', (name) => {
    let fitted = 0;
    holds(
      fc.property(commandsOf(name), (command) => {
        const stored = JSON.parse(JSON.stringify(command)) as SingleFigureCommand;
        let applied;
        try {
          applied = applyFigureCommand(figure, stored);
        } catch (error) {
          expect(error).toBeInstanceOf(CommandError);
          return;
        }
        fitted++;
        validateFigure(applied.document);
        const inverse = JSON.parse(JSON.stringify(applied.inverse)) as FigureCommand;
        const back = applyFigureCommand(applied.document, inverse).document;
        expect(back).toEqual(figure);
        // And forward again from there.
        expect(applyFigureCommand(back, stored).document).toEqual(applied.document);
      }),
      { numRuns: 200, least: 200 },
    );
    expect(fitted).toBeGreaterThan(5);
  });

  it.each(names)('%s does the same in a copy with other ids', (name) => {
    const map = new Map(ids.items.map((id) => [id, `copy-${id}`]));
    const copy = withIds(figureDescription, figure as never, map) as FigureDocument;
    expect(copy.items.map(({ id }) => id)).toEqual(ids.items.map((id) => `copy-${id}`));
    expect(Object.keys(copy.loose)).toEqual(['copy-a']);
    holds(
      fc.property(commandsOf(name), (command) => {
        const attempt = (document: FigureDocument, given: SingleFigureCommand): FigureDocument | null => {
          try {
            return applyFigureCommand(document, given).document;
          } catch (error) {
            expect(error).toBeInstanceOf(CommandError);
            return null;
          }
        };
        const here = attempt(figure, command);
        const there = attempt(copy, withIds(figureCommands[name].description, command, map));
        expect(there).toEqual(here && withIds(figureDescription, here as never, map));
      }),
    );
  });

  it.each(names)('%s tells what it touches: what it leaves alone is the same object', (name) => {
    holds(
      fc.property(commandsOf(name), (command) => {
        let after: FigureDocument;
        try {
          after = applyFigureCommand(figure, command).document;
        } catch {
          return;
        }
        const touched = touchesOfFigureCommand(command);
        for (const item of items) {
          if (!pathsMeet(touched, [item.id])) expect(after.items).toContain(item);
        }
        if (!pathsMeet(touched, ['view'])) expect(after.view).toBe(figure.view);
      }),
    );
  });
});

describe('what an item is besides its form', () => {
  const attributesOf = (document: FigureDocument, id: string): unknown => {
    const { color, lineWeight, hidden, locked, shown, name } = document.items.find((item) => item.id === id)!;
    return { color, lineWeight, hidden, locked, shown, name };
  };
  const changes: readonly FigureCommand[] = [
    { name: 'operate', item: 'a', operation: { name: 'raiseDegree', source: 'a', times: 1 }, curve },
    { name: 'operate', item: 'b', operation: { name: 'reverse', source: 'b' }, curve },
    { name: 'freeze', item: 'b', curve },
    { name: 'freeze', item: 's', curve },
    { name: 'setCurve', item: 'a', curve },
    { name: 'setDegree', item: 'a', degree: 2 },
    { name: 'setWeight', item: 'a', index: 1, weight: 3 },
    { name: 'moveHandle', item: 's', key: 'rim', to: [9, 9] },
    { name: 'moveEditPoint', item: 'a', index: 2, to: [9, 9] },
  ];
  it.each(changes)('survives %o and its inverse', (command) => {
    const id = 'item' in command ? (command.item as string) : '';
    const { document, inverse } = applyFigureCommand(figure, command);
    expect(attributesOf(document, id)).toEqual(attributesOf(figure, id));
    expect(applyFigureCommand(document, inverse).document).toEqual(figure);
  });

  it('and loose points survive an operation: all where all were, and else those that there still are', () => {
    const more: Curve = { degree: 4, knots: clampedUniformKnots(8, 4), points: [...points, [1, 2], [3, 4]] };
    const operation = { name: 'raiseDegree', source: 'a', times: 1 } as const;
    const raised = applyFigureCommand(figure, {
      name: 'operate',
      item: 'a',
      operation,
      curve: more,
    }).document;
    expect(raised.loose['a']).toEqual({ controlPoints: [0, 1, 2, 3, 4, 5, 6, 7], editPoints: [1, 3] });
    const fewer: Curve = { degree: 1, knots: [0, 0, 1, 1], points: points.slice(0, 2) };
    const less = applyFigureCommand(figure, { name: 'operate', item: 'a', operation, curve: fewer }).document;
    expect(less.loose['a']).toEqual({ controlPoints: [0, 1], editPoints: [1] });
    validateFigure(less);
  });
});

describe('every operation that is offered', () => {
  it.each(offeredOperations)('%s makes a whole curve of a random one, or says why not', (name) => {
    const member = operations[name];
    holds(
      fc.property(arbitraryCurve(), arbitraryCurve(), (first, second) => {
        const cursor =
          first.knots[first.degree]! +
          0.4 * (first.knots.at(-first.degree - 1)! - first.knots[first.degree]!);
        const operation = {
          name,
          source: 'a',
          ...member.first(first, cursor),
          ...('second' in member.sources ? { second: 'b' } : {}),
        } as Operation;
        expect(referencesIn(member.description, operation)).toEqual(
          Object.keys(member.sources).map((key) => (key === 'source' ? 'a' : 'b')),
        );
        let made: Curve;
        try {
          made = operate(operation, [
            { kind: 'curve', curve: first },
            { kind: 'curve', curve: second },
          ]).curve;
        } catch (error) {
          expect(error).toBeInstanceOf(CurveError);
          expect((error as Error).message).toMatch(/\w.*\.$/s);
          return;
        }
        validateCurve(made);
        if (name === 'insertKnot' || name === 'raiseDegree') expectSameCurve(first, made);
      }),
      { numRuns: name === 'evenOut' || name === 'fitToTolerance' || name === 'refit' ? 4 : 30 },
    );
  });
});

describe('every operation that is offered, on weights of any sign,', () => {
  it.each(offeredOperations)('%s makes a whole curve with the same points, or says why not', (name) => {
    const member = operations[name];
    holds(
      fc.property(signedCurves, (curve) => {
        const [start, end] = domainOf(curve.knots, curve.degree);
        const operation = {
          name,
          source: 'a',
          ...member.first(curve, start + 0.4 * (end - start)),
          ...('second' in member.sources ? { second: 'a' } : {}),
        } as Operation;
        const source = { kind: 'curve', curve } as const;
        let made: Curve;
        try {
          made = operate(operation, 'second' in member.sources ? [source, source] : [source]).curve;
        } catch (error) {
          expect(error).toBeInstanceOf(CurveError);
          return;
        }
        validateCurve(made);
        if (hasSignedWeights(curve)) expect(made.signedWeights).toBe(true);
        if (member.shape !== 'kept' || !['insertKnot', 'raiseDegree'].includes(name)) return;
        for (const { start: from, end: to } of partsBetweenPoles(curve)) {
          const u = from + 0.4 * (to - from);
          const point = pointAt(curve, u);
          expectClose(pointAt(made, u), point, 1e-5 * (50 + Math.hypot(...point)));
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('every shape', () => {
  it.each(Object.keys(shapes) as ShapeKind[])(
    '%s makes a whole curve or says why not, and follows its handles',
    (kind) => {
      let made = 0;
      holds(
        fc.property(
          arbitraryOf(shapes[kind].description, ids),
          fc.tuple(fc.integer(), fc.integer()),
          (given, to) => {
            const shape = given as Shape;
            try {
              validateCurve(curveOfShape(shape));
              made++;
            } catch (error) {
              expect(error).toBeInstanceOf(CurveError);
            }
            for (const { key } of handlesOfShape(shape)) {
              const moved = moveShapeHandle(shape, key, to);
              expect(moved.kind).toBe(kind);
              const at = handlesOfShape(moved).find((handle) => handle.key === key)!.at;
              // A circle's rim and an ellipse's axes are taken from their centre.
              if (key !== 'rim') at.forEach((value, axis) => expect(value).toBeCloseTo(to[axis]!, 4));
            }
          },
        ),
        { numRuns: 60 },
      );
      expect(made).toBeGreaterThan(0);
    },
  );
});

describe('what refers to an item', () => {
  it('is found by its description', () => {
    const item = {
      id: 'x',
      name: 'X',
      kind: 'built',
      operation: { name: 'join', source: 'a', second: 'b', tolerance: 0 },
    } as const;
    expect(referencesIn(itemDescription, item)).toEqual(['a', 'b']);
    const onPoints = {
      ...item,
      operation: { name: 'curveOnReferencePoints', points: ['p', 'q', 'p'], degree: 2, closed: false },
    } as const;
    expect(referencesIn(itemDescription, onPoints)).toEqual(['p', 'q', 'p']);
    expect(referencesIn(figureDescription, figure)).toEqual(['a', 'a', 'a']);
  });
});
