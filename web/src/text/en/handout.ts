/** Sheets on paper. */
export const handout = {
  title: 'Handouts',
  lead: 'Sheets on paper of A4. To save them as PDF, choose that in the browser’s own print dialog, at 100 %: then every scale is true.',
  what: 'Print',
  whole: 'the whole lesson',
  print: 'Print or save as PDF',
  trueSize: 'true size',
  scale: 'scale 1 : {{ratio}}',
  enlarged: 'scale {{ratio}} : 1',
  bar: '{{length}} mm',
  stage: '{{number}} · {{caption}}',
  answer: 'Answer:',
};
