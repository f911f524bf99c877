import { type ReadFile } from '../define.js';
import { collected, type Incoming } from '../incoming.js';
import { mapTold, untold, within } from '../reached.js';
import { Entities } from './entities.js';
import { parseStep, type StepInstance } from './parse.js';
import { unitsOf } from './units.js';
import { curveNameOf, StepCurves } from './curves.js';

/** Entities that say how the others belong together, and are no things of their own to be listed. */
const structure =
  /UNIT|CONTEXT|PRODUCT|REPRESENTATION|APPLICATION|PLACEMENT|DIRECTION|VECTOR|CARTESIAN_POINT|SEGMENT|GEOMETRIC_.*SET|APPROVAL|PERSON|ORGANIZATION|DATE|TIME|SECURITY|DOCUMENT|NAME_ASSIGNMENT|PRESENTATION|STYLE|COLOUR|LAYER|MEASURE/;

/**
 * Reads the curves and points of an exchange file by ISO 10303-21 with the geometry of AP214 or AP242: B-spline curves
 * of every form, circles, ellipses, polylines, trimmed and composite curves.
 * @throws FormatError with the line and the reason
 */
export function readStep(text: string, reached = untold): ReadFile {
  const file = parseStep(text, within(reached, 0, 0.6));
  const entities = new Entities(file);
  const units = unitsOf(entities);
  const curves = new StepCurves(entities, units);
  const referenced = new Set<number>();
  const sets: StepInstance[] = [];
  const left = new Map<string, number>();
  const found: StepInstance[] = [];
  for (const instance of entities.all) {
    const kind = curveNameOf(entities, instance);
    if (kind) found.push(instance);
    if (kind === 'TRIMMED_CURVE') referenced.add(entities.attributes(instance, kind, 6).instance(1).id);
    if (entities.has(instance, 'COMPOSITE_CURVE_SEGMENT'))
      referenced.add(entities.attributes(instance, 'COMPOSITE_CURVE_SEGMENT', 3).instance(2).id);
    if (entities.has(instance, 'GEOMETRIC_CURVE_SET') || entities.has(instance, 'GEOMETRIC_SET'))
      sets.push(instance);
    const [{ name }] = instance.records as [StepInstance['records'][number]];
    if (!kind && !structure.test(name)) left.set(name, (left.get(name) ?? 0) + 1);
  }
  const incoming: Incoming[] = [];
  mapTold(found, within(reached, 0.6, 1), (instance) => {
    if (referenced.has(instance.id)) return;
    const name = curves.nameOf(instance);
    const item = curves.itemOf(instance);
    if (item) incoming.push({ name, ...item });
    else {
      const kind = curveNameOf(entities, instance)!;
      left.set(kind, (left.get(kind) ?? 0) + 1);
    }
  });
  for (const set of sets) {
    const kind = entities.has(set, 'GEOMETRIC_CURVE_SET') ? 'GEOMETRIC_CURVE_SET' : 'GEOMETRIC_SET';
    for (const element of entities.attributes(set, kind, 2).instances(1))
      if (entities.has(element, 'CARTESIAN_POINT'))
        incoming.push({
          name: entities.attributes(element, 'CARTESIAN_POINT', 2).textOrNothing(0),
          at: curves.place(element),
        });
  }
  return collected(incoming, left, units.millimetres);
}
