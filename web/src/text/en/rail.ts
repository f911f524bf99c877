import type { TrackName } from '@bogen/core/figure';

/** What a track is called, the note below its name, and what it shows for those who don't see it. */
interface TrackTexts {
  readonly name: string;
  readonly note: string;
  /** Instead, for a rational curve. */
  readonly note_rational?: string;
  readonly note_signed?: string;
  /** Instead, where there is nothing to compare with. */
  readonly note_nothing?: string;
  readonly summary: string;
  readonly summary_nothing?: string;
}

export const rail = {
  label: 'Rail: plots over the parameter {{param}}',
  tracks: {
    knots: {
      name: 'Knots',
      note: '{{count}} values, or {{short}} without the ends',
      summary: 'Knots: {{knots}}',
    },
    basis: {
      name: 'Basis',
      note: 'N of {{degree, sized}}',
      note_rational: 'R of {{degree, sized}}',
      summary: '{{functions}} basis functions of {{degree, sized}}',
    },
    curvature: {
      name: 'Curvature',
      note: '1/mm',
      summary: 'Curvature from {{least}} to {{most}} per millimetre',
    },
    speed: {
      name: 'Speed',
      note: 'mm per unit of {{param}}',
      summary: 'Speed from {{least}} to {{most}} millimetres per unit of {{param}}',
    },
    length: {
      name: 'Arc length',
      note: 'mm',
      summary: 'Arc length from {{least}} to {{most}} millimetres',
    },
    derivatives: {
      name: 'Derivatives',
      note: 'x′ solid, y′ dashed',
      summary: 'Components of the first derivative from {{least}} to {{most}}, x as a solid line, y dashed',
    },
    deviation: {
      name: 'Deviation',
      note: 'mm',
      note_nothing: 'Choose in Compare … what it is measured from.',
      summary: 'Distance from the other curve from {{least}} to {{most}} millimetres',
      summary_nothing: 'Choose in Compare … what it is measured from.',
    },
    weights: {
      name: 'Weights',
      note: 'w({{param}}), logarithmic',
      note_signed: 'w({{param}}), any sign',
      summary: 'Weight function from {{least}} to {{most}}',
    },
    radiusError: {
      name: 'Radius error',
      note: 'share of the radius',
      summary: 'Radius error from {{least}} to {{most}} of the radius',
    },
  } satisfies Record<TrackName, TrackTexts>,
  timesAt: '{{value}} times {{multiplicity}}',
  none: 'Choose a curve for the rail.',
  empty: 'The first curve that is drawn comes on the rail.',
  edge: 'Height of {{track}}',
  whole: 'Whole domain',
  zoomIn: 'Zoom in along the parameter',
  zoomOut: 'Zoom out along the parameter',
  valuesAtCursor: '{{track}} at the cursor',
  cursorAt: 'Parameter of the cursor',
  outside: 'A number from {{start}} to {{end}}',
};
