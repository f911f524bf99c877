/** Names of what can be taken hold of in a figure. */
export const grips = {
  which: 'Several points lie here. Which one?',
  controlPoint: 'Control point {{name}} of {{item}}',
  editPoint: 'Edit point {{name}} of {{item}}',
  referencePoint: 'Reference point {{item}}',
  handle: '{{item}}: {{name}}',
  handles: {
    start: 'start',
    end: 'end',
    through: 'point in between',
    centre: 'centre',
    rim: 'point on the circle',
    axisX: 'end of the first axis',
    axisY: 'end of the second axis',
    corner: 'corner',
    opposite: 'opposite corner',
    place: 'shoulder or tangent intersection',
    node: 'point {{index, counted}}',
    before: 'handle before node {{index, counted}}',
    after: 'handle after node {{index, counted}}',
  },
};
