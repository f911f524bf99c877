/** What is said of knots and weights in the hand, and of the choice of tracks. */
export const railHand = {
  knot: 'Knot of {{curve}}',
  weightOf: 'Weight of {{point}} of {{curve}}',
  knotTyped: 'Knot at {{param}} =',
  knotWithOrder: '{{param}} = {{value}}, multiplicity {{multiplicity}}, C{{order}}.',
  knotWithGap: '{{param}} = {{value}}, multiplicity {{multiplicity}}, a gap.',
  endLoose: '{{param}} = {{value}}, multiplicity {{multiplicity}}: the curve leaves its end point.',
  endClamped: '{{param}} = {{value}}, multiplicity {{multiplicity}}: the curve ends at its control point.',
  howMany: 'of {{count}}, move',
  all: 'all',
  one: 'one',
  knotGone: '{{param}} = {{value}}: no knot.',
  curveMoves: 'The curve moves by at most {{deviation}} mm.',
  knotValue: '{{value}}, multiplicity {{multiplicity}}',
  choose: 'Tracks …',
  up: 'Move {{track}} up',
  down: 'Move {{track}} down',
};
