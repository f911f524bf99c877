/** Values of a figure that are set in its text. */
export const live = {
  control: 'Live control',
  controlLead: 'A value that readers set here in the text; they are let do it.',
  controls: {
    cursor: '{{param}} on {{item}}',
    knot: 'knot {{param}}{{index, counted}} of {{item}}',
    weight: 'weight of {{point}}',
    rho: 'ρ of {{item}}',
    apart: 'pieces of {{item}} apart',
    degree: 'degree of {{item}}',
    degree_order: 'order of {{item}}',
  },
  notHere: 'It can’t be set at this stage.',
  gone: 'what it sets is not there',
  least: 'from',
  most: 'to',
  remove: 'Take it out of the text',
};
