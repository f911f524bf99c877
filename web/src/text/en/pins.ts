export const pins = {
  onCurve: 'Place where {{param}} = {{value}} is held',
  onRail: 'Held value on the rail',
  at: 'Place, {{param}} now',
  value: 'gets {{param}} =',
  hold: 'Hold the cursor’s place',
  remove: 'No longer hold {{param}} = {{value}}',
};
