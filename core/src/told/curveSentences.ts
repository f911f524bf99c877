/** What the curve core says where it can’t do what was asked. */
export const curveSentences = {
  parameterOutside: 'The parameter is {{parameter}}; it must lie from {{start}} to {{end}}.',
  lengthOutside: 'The arc length is {{length}}; it must lie from 0 to {{whole}}.',
  areaOfPlaneOnly: 'Only a plane curve encloses an area.',
  systemSingular: 'The system of equations has no unique solution: row {{row}} depends on the others.',
  chainNodeCount: 'A chain needs at least {{least}} nodes; there are {{count}}.',
  chainNodeCoordinates:
    'Node {{index, counted}} needs {{dimension}} finite coordinates for itself and its handles.',
  noChainNode: 'There is no node {{index, counted}}; the last one is {{last, counted}}.',
  radius: 'The radius is {{radius}}; it must be finite and above zero.',
  arcAngle: 'The angle of the arc is {{angle}}; it must be above zero and at most one turn.',
  noArcThroughPoints: 'The three points lie on a line, or two of them coincide; no arc passes through them.',
  bulge: 'The bulge is {{bulge}}; it must be finite and not zero.',
  bulgeEnds: 'An arc given by its bulge needs two distinct ends in the plane.',
  arcRadiusTooSmall:
    'The radius is {{radius}}; it must be at least {{least}}, half the distance between the ends.',
  halfAxes: 'The half axes are parallel or zero; they do not span an ellipse.',
  circleOfPlaneOnly: 'A best-fitting circle exists for plane curves only.',
  curveOnOnePlace: 'The curve is a single point; no circle fits it.',
  pointsOnCircle: 'A closed curve around a centre needs at least 3 points; there are {{count}}.',
  circleCentreAndRadius: 'The circle needs a finite centre and a radius above zero; it is {{radius}}.',
  roundChainPieces: 'A round chain needs at least 2 pieces; there are {{count}}.',
  centreCoordinates: 'The centre must be {{dimension}} finite numbers.',
  closedAlready: 'The curve is closed already.',
  endsMeetAlready: 'The ends meet already; there is no gap to bridge.',
  endsApart: 'The ends of the curve do not meet; close it first.',
  endWeightsDiffer:
    'The first weight is {{first}} and the last is {{last}}; make them equal by a Möbius reparametrisation first.',
  openAlready: 'The curve is open already.',
  startOfOpen: 'The curve is open; only a closed curve can start elsewhere.',
  nothingToJoin: 'There are no pieces to join.',
  rho: 'Rho is {{rho}}; it must lie between 0 and 1.',
  placeCoordinates: 'Point {{index, counted}} must have 2 finite coordinates, or all of them 3.',
  notAConic:
    'A conic is a single piece of degree 2 with 3 control points; this curve has degree {{degree}} and {{count}} control points.',
  jointOfMixedDimensions: 'One curve is plane and the other is not; their joint can’t be measured.',
  comparisonOfMixedDimensions: 'One curve is plane and the other is not; they can’t be compared.',
  noEditPoint: 'There is no edit point {{index, counted}}; the last one is {{last, counted}}.',
  editPointCoordinates:
    'The new position of edit point {{index, counted}} must be {{dimension}} finite numbers.',
  elevationTimes: 'The degree is to be raised {{times}} times; the number must be a whole number from 1.',
  derivativeOrder: 'The order of the derivative is {{order}}; it must be a whole number from 0.',
  derivativeOrderOfMany:
    'The order of the derivative is {{order}}; at many parameters at once it may be at most 3.',
  spansPerSpan: 'The number of spans for each span is {{count}}; it must be a whole number from 1 to 50.',
  noLength: 'The curve has no length, so it has no arc-length parameter.',
  spanWithoutLength: 'The span that ends at {{end}} has no length, so no parameter has even speed on it.',
  heldParameterOutside: 'The fixed parameter {{parameter}} must lie from {{start}} to {{end}}.',
  heldValueOrder: 'The fixed value {{value}} must lie above {{before}}, the value fixed before it.',
  toleranceNotPositive: 'A tolerance must be above zero.',
  facetsTooMany: 'This tolerance needs more than {{most}} facets.',
  inflectionsOfPlaneOnly: 'Only plane curves have inflections; in space, curvature has no sign.',
  parametersForPoints: 'There are {{parameters}} parameters for {{points}} points; each point needs one.',
  pointsOnOnePlace: 'All points coincide; a curve needs two distinct points.',
  weightWouldBe: 'Weight {{index, counted}} of the result would be {{weight}}; weights must stay above zero.',
  lineEnds: 'The line needs two distinct, finite points.',
  hullOfPlaneOnly: 'Polygons around the spans are those of a plane curve; a curve in space has solid hulls.',
  insertionTimes: 'The knot is to be inserted {{times}} times; the number must be a whole number from 1.',
  knotTooOften:
    'The knot {{knot}} would have multiplicity {{multiplicity}}; at most {{degree}} is allowed for degree {{degree}}.',
  neighboursOnOnePlace:
    'Point {{index, counted}} coincides with point {{before, counted}}; consecutive points must be distinct.',
  neighboursTooClose:
    'Point {{index, counted}} is too close to point {{before, counted}} to tell them apart.',
  endConditionDegree: 'An end condition needs degree 2 or higher; the degree is {{degree}}.',
  endDerivativeCoordinates: 'An end derivative must be {{dimension}} finite numbers.',
  parameterOrder: 'Parameter {{index}} is {{parameter}}; parameters must be finite and strictly increasing.',
  parametersFromZeroToOne:
    'There must be {{count}} parameters, one for each point, from 0 to 1; there are {{found}}, from {{first}} to {{last}}.',
  pointsForInterpolation: 'A curve through points needs at least 2 points; there are {{count}}.',
  pointDimension: 'Point {{index, counted}} has {{count}} coordinates; all points must have 2, or all 3.',
  pointNotFinite: 'Point {{index, counted}} has a coordinate that is not a finite number.',
  intersectionOfPlaneOnly: 'A space curve meets a line only by chance; use two plane curves.',
  joinOfMixedDimensions: 'One curve is plane and the other is not; they can’t be joined.',
  endsTooFarApart: 'The ends are {{gap}} apart; at most {{tolerance}} is allowed for joining.',
  degree: 'The degree is {{degree}}; it must be a whole number from 1 to 9.',
  tooFewPoints: 'A curve of degree {{degree}} needs at least {{least}} control points; there are {{count}}.',
  knotCount:
    'The knot vector has {{found}} values; {{count}} control points of degree {{degree}} need {{expected}}.',
  knotNotFinite: 'Knot {{index, counted}} is {{value}}; every knot must be a finite number.',
  knotsTooClose:
    'Knots {{before, counted}} and {{index, counted}} are {{gap}} apart; below {{least}} they can’t be told apart, so give them one value.',
  knotOrder:
    'Knot {{index, counted}} is {{value}}, below knot {{before, counted}}, which is {{previous}}; knots must never decrease.',
  knotMultiplicity:
    'Knot {{index, counted}} repeats the value {{value}} more than {{most}} times; degree {{degree}} allows {{most}}.',
  emptyDomain: 'The domain from {{start}} to {{end}} has no length.',
  pointUndetermined:
    'The points do not determine control point {{index, counted}}: too few of them lie in its support.',
  patternLength: 'A pattern of {{count}} entries can’t be repeated to length {{length}}.',
  knotCountWithOrWithoutEnds:
    'There are {{found}} knots; {{count}} points of degree {{degree}} need {{all}}, or {{inner}} where the first and last values are left out.',
  matchOfMixedDimensions: 'One curve is plane and the other is not; they can’t be matched.',
  continuityDegree:
    '{{continuity}} needs degree {{order}} or higher; the degree is {{degree}}. Raise it first.',
  continuityPoints:
    '{{continuity}} moves {{count}} points, and the other end of the curve is among them; insert a knot or raise the degree first.',
  tooSmallToMatch: 'The curves are too small, or their derivatives at the joint too short, to be matched.',
  otherStandsStill: 'The derivative of the other curve is zero at its end, so it has no direction there.',
  nothingToConvert:
    'All of the curve lies on one place, so there is nothing to convert; pull its points apart first.',
  firstPointsOnOnePlace: 'The first points of the curve coincide; pull them apart first.',
  mirrorLineEnds: 'The mirror line needs two distinct points of the plane.',
  mirrorCoordinates: 'The mirror needs a point and a direction with {{dimension}} coordinates.',
  mirrorOfClosed: 'A closed curve has no end to put on the mirror line; open or split it first.',
  pointsTooClose: 'Two consecutive points are too close together to tell them apart.',
  continueOpenFirst: 'This periodic curve has a single knot; open it first, or insert another knot.',
  nothingMeets: 'No other curve with points of its own meets an end of this one.',
  listBracket: 'This bracket has no other that fits it.',
  listTimes: 'After * there must be a whole number of repeats.',
  listTooMany: 'The list has too many entries.',
  listNotANumber: 'Entry {{index}}, “{{text}}”, is not a number or an expression such as sqrt(2)/2.',
  listOddCoordinates:
    'There are {{count}} coordinates; each point needs two, so the last one is alone. Add its y, or take it out.',
  listTooFewPoints: 'Degree {{degree}} needs at least {{needed}} points; there are {{count}}.',
  knotMoveTimes: 'The knot {{knot}} has multiplicity {{multiplicity}}; {{times}} of it can’t be moved.',
  endIsSingle: 'This end knot is single already; the curve starts and ends away from its control points.',
  editPointThere:
    'There is an edit point at {{parameter}} already, or an end of the curve; choose a parameter beside it.',
  tooFewToInsert: 'This periodic curve has too few points for its degree; insert a knot instead.',
  lastPoints:
    'A curve of degree {{degree}} needs the {{count}} control points that it has; lower the degree first.',
  knotsOfPeriodic: 'The knots of a periodic curve repeat; open the curve to move one of them.',
  noKnotInside: 'There is no knot {{knot}} inside the domain.',
  knotBeyondNeighbours:
    'This knot can be moved from {{before}} to {{after}}, between its neighbours; {{to}} lies outside.',
  knotOntoEnd: 'An interior knot can’t be moved onto an end of the domain; remove it instead.',
  knotWouldHaveMultiplicity:
    'The knot at {{knot}} would have multiplicity {{multiplicity}}; at most {{most}} is allowed.',
  targetCoordinates: 'The point must be {{dimension}} finite numbers.',
  periodicPointCount: 'A periodic curve needs at least 1 point; there are {{count}}.',
  reductionTimes: 'The degree is to be lowered {{times}} times; the number must be a whole number from 1.',
  reductionTooFar: 'Degree {{degree}} can’t be lowered {{times}} times; 1 is the lowest degree.',
  spanCount: 'The number of spans is {{count}}; it must be a whole number from {{least}} to {{most}}.',
  tolerance: 'The tolerance is {{tolerance}}; it must be finite and above zero.',
  removalTimes: 'The knot {{knot}} is to be removed {{times}} times; its multiplicity is {{multiplicity}}.',
  toleranceNegative: 'The tolerance is {{tolerance}}; it must be 0 or more.',
  noKnotToRemove: 'There is no knot to remove at {{knot}}; choose one inside the domain.',
  seamKnot: 'The knot {{knot}} is where the closed curve starts; move the start elsewhere to remove it.',
  newDomain: 'The new domain from {{start}} to {{end}} must be finite and have a length.',
  factor: 'The factor is {{factor}}; it must be finite and above zero.',
  speedOfPeriodic: 'A periodic curve keeps its speed at the seam; open it first.',
  knotThroughInfinity:
    'Knot {{index, counted}} would pass through infinity; clamp the ends before this reparametrisation.',
  parameterOfListOutside: 'Parameter {{index}} is {{parameter}}; it must lie from {{start}} to {{end}}.',
  partWithoutLength: 'The part from {{start}} to {{end}} has no length.',
  splitAtEnd: 'The curve can’t be split at its end {{parameter}}; choose a parameter inside the domain.',
  trimOfPlaneOnly: 'Only a plane curve can be trimmed to a box.',
  boxWithoutArea: 'The corners of the box must differ along both axes; it has no area.',
  controlPointDimension:
    'Control point {{index, counted}} has {{count}} coordinates; all points must have 2, or all 3.',
  curveSize:
    'The largest coordinate is {{size}}, of control point {{index, counted}}; a curve’s size must be from {{least}} to {{most}}, or it can’t be measured.',
  controlPointNotFinite:
    'Control point {{index, counted}} has the coordinate {{value}}; it must be a finite number.',
  weightCount: 'There are {{weights}} weights for {{points}} control points; each point needs one.',
  weight:
    'Weight {{index, counted}} is {{weight}}; it must be finite and above zero, unless the curve allows weights of zero and below.',
  signedWeight:
    'Weight {{index, counted}} is {{weight}}; it must be zero, or from {{least}} to {{most}} in size.',
  weightsAllZero:
    'Weights {{first, counted}} to {{last, counted}} are all zero, so there is no curve from {{start}} to {{end}}; at least one of them must differ from zero.',
  needsPositiveWeights: 'Weight {{index, counted}} is {{weight}}; this needs weights above zero.',
  tooMuchWork: 'This takes too much calculation; use fewer points or spans.',
  pole: 'The curve runs to infinity at {{parameter}}; it has no point there.',
  constructionAtInfinity:
    'Point {{index, counted}} of level {{level}} lies at infinity at {{parameter}}, since weights cancel; look at another parameter.',
  pointAtInfinity:
    'Control point {{index, counted}} would have the weight zero, so it would lie at infinity.',
  periodicKnot:
    'Knot {{index, counted}} is {{found}}; in a periodic curve it must be {{expected}}, one period after knot {{twin, counted}}.',
  periodicPoint:
    'Control point {{index, counted}} must coincide with control point {{twin, counted}}, since the curve is periodic.',
  periodicMultiplicity:
    'The knot {{knot}} has multiplicity {{multiplicity}}; a periodic curve of degree {{degree}} has no gaps and allows {{degree}}.',
  periodicWeight:
    'Weight {{index, counted}} is {{found}}; it must be {{expected}}, equal to weight {{twin, counted}}, since the curve is periodic.',
  noControlPoint: 'There is no control point {{index, counted}}; the last one is {{last, counted}}.',
  builtFromPoint: 'This is built from curves; it can’t be built from a point.',
  curveNeedsPoints: 'This is built from points; it can’t be built from a curve.',
  curveTooManyPoints: 'The curve would have {{count}} control points; at most {{most}} are allowed.',
  noPiece: 'There is no piece {{index, counted}}; the last one is {{last, counted}}.',
  polygonSides: 'A polygon has at least 3 sides; this one has {{sides}}.',
  polygonCorner: 'The corner coincides with the centre; the polygon has no size.',
  rectangleCorners: 'The corners of the rectangle lie on a line; it has no area.',
  bridgeOfMixedDimensions: 'A plane curve and a curve in space can’t be bridged.',
  bridgeStrength: 'The strength is {{strength}}; it must be finite and above zero.',
  bridgeWithoutLength: 'Both ends lie on one place; there is nothing to bridge. Join the curves instead.',
  roundingOfPlaneOnly: 'Only corners of a plane curve can be rounded.',
  liftOfPlaneOnly: 'Only a plane curve can be seen from one dimension up.',
  nodeParameterOrder:
    'Node {{index, counted}} would be at the parameter {{value}}; it must lie above {{before}}, the parameter of the node before, and below 1 and those after.',
  lockedKnotOfClamped: 'A knot can be locked only inside an open curve with clamped ends.',
  roundingSize: 'The size of the rounding is {{size}}; it must be finite and above zero.',
  roundingWithoutRoom:
    'A rounding of {{size}} finds no room beside this corner; at most about {{room}} does.',
  noCorner: 'The curve has no corner at {{parameter}}; choose a knot where its direction jumps.',
  cornerTurnsBack: 'The curve turns back on itself at {{parameter}}; there is no corner to round.',
  roundingTangents:
    'The tangents where the rounding begins do not meet; make it smaller, or choose a bridge.',
  noPartInBox: 'No part of the curve lies inside the box.',
  noPart: 'There is no part {{index, counted}}; the last one inside the box is {{last, counted}}.',
} as const;
