/** Where in the document, by id, so that the place survives a move. */
export interface Place {
  kind:
    | 'control'
    | 'output'
    | 'variable'
    | 'state'
    | 'rule'
    | 'layer'
    | 'word'
    | 'task'
    | 'part'
    | 'keySet'
    | 'board'
    | 'chord'
    | 'page'
    | 'picture'
    | 'font'
    | 'tune'
    | 'effect'
    /** A menu, or one of its items. */
    | 'menu';
  id: string;
}
