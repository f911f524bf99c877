/** The panels that slide over the prose while a figure is worked on. */
export type PanelName =
  | 'change'
  | 'apart'
  | 'table'
  | 'lists'
  | 'facts'
  | 'details'
  | 'look'
  | 'compare'
  | 'construction'
  | 'several'
  | 'keys'
  | 'exchange';
