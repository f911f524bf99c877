import { told } from '../../told/told.js';
import type { Entities } from './entities.js';
import { realOf, type Attributes } from './entities.js';
import type { StepInstance, StepValue } from './parse.js';

/** What the numbers of a file count in. */
export interface Units {
  /** Millimetres in its unit of length. */
  readonly millimetres: number;
  /** Radians in its unit of angle. */
  readonly radians: number;
}

const prefixes: Readonly<Record<string, number>> = {
  EXA: 1e18,
  PETA: 1e15,
  TERA: 1e12,
  GIGA: 1e9,
  MEGA: 1e6,
  KILO: 1e3,
  HECTO: 1e2,
  DECA: 1e1,
  DECI: 1e-1,
  CENTI: 1e-2,
  MILLI: 1e-3,
  MICRO: 1e-6,
  NANO: 1e-9,
  PICO: 1e-12,
  FEMTO: 1e-15,
  ATTO: 1e-18,
};

/** The units of the first context that gives some; millimetres and radians where none does. */
export function unitsOf(entities: Entities): Units {
  for (const instance of entities.all) {
    if (!entities.has(instance, 'GLOBAL_UNIT_ASSIGNED_CONTEXT')) continue;
    const units = entities.attributes(instance, 'GLOBAL_UNIT_ASSIGNED_CONTEXT', 1).instances(0);
    const length = units.find((unit) => entities.has(unit, 'LENGTH_UNIT'));
    const angle = units.find((unit) => entities.has(unit, 'PLANE_ANGLE_UNIT'));
    return {
      millimetres: length ? 1000 * sizeOf(entities, length, 'METRE', 0) : 1,
      radians: angle ? sizeOf(entities, angle, 'RADIAN', 0) : 1,
    };
  }
  return { millimetres: 1, radians: 1 };
}

/** How many of an SI unit a unit is: by its prefix, or by the measure that it is converted with. */
function sizeOf(entities: Entities, unit: StepInstance, base: string, depth: number): number {
  const next = entities.deeper(depth, unit);
  if (entities.has(unit, 'SI_UNIT')) {
    const own = entities.attributes(unit, 'SI_UNIT', 2);
    own.word(1, [base]);
    if (own.isUnset(0)) return 1;
    return prefixes[own.word(0, Object.keys(prefixes))]!;
  }
  const converted = entities.record(unit, 'CONVERSION_BASED_UNIT');
  if (!converted)
    throw entities.wrong(unit, told('fileSign', { wanted: 'SI_UNIT', found: unit.records[0]!.name }));
  const own = entities.attributes(unit, 'CONVERSION_BASED_UNIT', 2);
  const measure = own.instance(1);
  const name = measure.records.some((record) => record.name === 'LENGTH_MEASURE_WITH_UNIT')
    ? 'LENGTH_MEASURE_WITH_UNIT'
    : entities.has(measure, 'PLANE_ANGLE_MEASURE_WITH_UNIT')
      ? 'PLANE_ANGLE_MEASURE_WITH_UNIT'
      : 'MEASURE_WITH_UNIT';
  const by = entities.attributes(measure, name, 2);
  const count = measured(by, 0);
  if (!(count !== undefined && count > 0))
    throw entities.wrong(measure, told('fileValueKind', { index: 1, wanted: 'a measure above 0' }));
  return count * sizeOf(entities, by.instance(1), base, next);
}

function measured(of: Attributes, index: number): number | undefined {
  const value: StepValue = of.any(index);
  return value.kind === 'typed' && value.values[0] ? realOf(value.values[0]) : realOf(value);
}
