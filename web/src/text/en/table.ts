export const table = {
  table: 'Points …',
  title: 'Points of {{curve}}',
  lead: 'Numbers or expressions such as sqrt(2)/2 or 3*cos(30 deg). Enter sets them.',
  coordinates: 'Coordinates',
  in: { lengths: 'as lengths, mm', unit: 'in the unit box' },
  unitHelp:
    'The box begins at x {{x}}, y {{y}}; its longer side, {{size}} mm, counts as 1. It stays as it is while points move.',
  point: 'Point',
  weight: 'Weight',
  coordinate: '{{axis}} of {{point}}',
  weightOf: 'Weight of {{point}}',
  notPositive: 'A weight must be above zero; {{text}} is not. Allow others below to set it.',
  signedWeights: 'Allow weights of zero and below',
  signedWeightsHelp:
    'With one of them the curve may leave the hull of its points and run to infinity. Its poles are marked, and it is drawn in its pieces.',
  ofShape:
    'This curve was drawn as a shape; its points follow from the places and numbers under Details and can’t be typed here. Freeze it in the list of items to type them.',
  follows: 'This curve follows its source; its points can’t be typed.',
};
