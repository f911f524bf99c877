export const pins = {
  onCurve: 'Place where u = {{value}} is held',
  onRail: 'Held value on the rail',
  at: 'Place, u now',
  value: 'gets u =',
  hold: 'Hold the cursor’s place',
  remove: 'No longer hold u = {{value}}',
};
