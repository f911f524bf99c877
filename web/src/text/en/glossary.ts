/** Asking what a term means, and adding terms. */
export const glossary = {
  ask: 'What is “{{term}}”?',
  tryIt: 'Move its points.',
  loading: 'Drawing …',
  title: 'Glossary',
  lead: 'Each of these terms can be asked where a text first uses it. What you add here counts for every lesson of {{course}}.',
  own: 'Terms of this course',
  noOwn: 'None yet.',
  everyCourse: 'Terms of every course',
  add: 'Add a term',
  change: 'Change {{term}}',
  remove: 'Take {{term}} away',
  removed: '{{term}} is taken away.',
  term: 'Term',
  termHelp: 'As it stands in texts; a plural with s is found too.',
  sentence: 'One sentence',
  figure: 'Figure',
  noFigure: 'none',
  keepFigure: 'as it is',
  fromBench: '{{name}}, from the bench',
  set: 'Set',
};

/** The terms that every course has: each with its other forms and one sentence. */
export const glossaryTerms = {
  controlPoint: {
    term: 'control point',
    forms: ['control points'],
    sentence:
      'One of the points that shape a curve: the curve follows the polygon through them and, as a rule, touches only the first and the last.',
  },
  controlPolygon: {
    term: 'control polygon',
    forms: ['control polygons'],
    sentence:
      'The straight lines from each control point to the next; the curve is a smoothed version of them.',
  },
  editPoint: {
    term: 'edit point',
    forms: ['edit points'],
    sentence:
      'A point on the curve that can be moved itself; the other edit points stay, so that every control point has to move.',
  },
  knotVector: {
    term: 'knot vector',
    forms: ['knot vectors'],
    sentence:
      'The knots in ascending order; together with the degree they decide which control point acts where.',
  },
  knot: {
    term: 'knot',
    forms: ['knots'],
    sentence: 'A parameter value at which one polynomial piece of a curve ends and the next begins.',
  },
  multiplicity: {
    term: 'multiplicity',
    forms: ['multiplicities'],
    sentence: 'How often a knot is repeated; every repetition costs one order of continuity there.',
  },
  span: {
    term: 'span',
    forms: ['spans'],
    sentence: 'The stretch between two neighbouring knots, on which a curve is a single polynomial.',
  },
  degree: {
    term: 'degree',
    forms: ['degrees'],
    sentence:
      'The highest power in the pieces of a curve; with degree p, p + 1 control points act on each span.',
  },
  basisFunction: {
    term: 'basis function',
    forms: ['basis functions'],
    sentence:
      'The share with which a control point acts, as a function of the parameter; at every parameter all shares add up to one.',
  },
  support: {
    term: 'support',
    forms: ['supports'],
    sentence:
      'The spans on which a basis function is not zero, and so the only ones that its control point moves.',
  },
  convexHull: {
    term: 'convex hull',
    forms: ['convex hulls'],
    sentence:
      'The smallest convex region around some points; each span lies in that of the control points that act on it.',
  },
  weight: {
    term: 'weight',
    forms: ['weights'],
    sentence:
      'How strongly a control point pulls the curve compared with the others; with equal weights it makes no difference.',
  },
  rational: {
    term: 'rational',
    forms: [],
    sentence: 'Made with weights, as a quotient of polynomials; only so can a spline be an exact circle.',
  },
  continuity: {
    term: 'continuity',
    forms: [],
    sentence:
      'How smoothly two pieces meet: C1 means equal first derivatives, C2 equal second ones as well; G1 and G2 ask only for equal tangents and curvatures.',
  },
  curvature: {
    term: 'curvature',
    forms: ['curvatures'],
    sentence:
      'How fast the direction changes along a curve: one over the radius of the circle that fits best.',
  },
  comb: {
    term: 'comb',
    forms: ['combs', 'curvature comb', 'curvature combs'],
    sentence:
      'Teeth across a curve, as long as its curvature there is large; their outline shows what the eye misses.',
  },
  clamped: {
    term: 'clamped',
    forms: [],
    sentence:
      'With end knots of full multiplicity, so that the curve begins and ends in its first and last control point.',
  },
  periodic: {
    term: 'periodic',
    forms: [],
    sentence:
      'Closed without a seam: knots and control points go round, and the curve is as smooth where it closes as anywhere else.',
  },
  knotInsertion: {
    term: 'knot insertion',
    forms: [],
    sentence:
      'One more knot and one more control point without any change of shape; the control polygon comes closer to the curve.',
  },
  bezier: {
    term: 'Bézier',
    forms: [],
    sentence: 'A curve of a single span with clamped ends; every spline can be taken apart into such pieces.',
  },
};
