export const construction = {
  by: 'By',
  ways: { deBoor: 'de Boor, whole curve', deCasteljau: 'de Casteljau, this Bézier piece' },
  numbers: 'Numbers …',
  title: 'The point at {{param}} = {{u}}',
  lead: 'Each entry lies between the two to its left. Point at one to see it in the figure.',
  levels: 'Levels drawn',
  level: 'Level {{level}}',
  blossoms: 'Name points by their blossom arguments',
  parameter: '{{param}}',
  entry: 'Level {{level}}, point {{index, counted}}: x {{x}}, y {{y}}',
  weight: 'weight {{weight}}',
  given: 'A control point; it is given.',
  atInfinity:
    'A point of the construction lies at infinity at this parameter, since weights cancel. Look at another parameter.',
};
